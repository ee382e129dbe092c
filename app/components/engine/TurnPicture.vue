<script setup lang="ts">
/** A crank sprocket seen from the chain's end, and which way it turns. */
defineProps<{ rotation: 'clockwise' | 'anticlockwise' }>()
</script>

<template>
  <svg viewBox="0 0 48 48" class="mx-auto my-1 h-12" aria-hidden="true">
    <g :transform="rotation === 'clockwise' ? undefined : 'translate(48 0) scale(-1 1)'">
      <circle cx="24" cy="24" r="9" fill="none" stroke="currentColor" stroke-width="4" stroke-dasharray="3 1.7" />
      <circle cx="24" cy="24" r="3" fill="currentColor" />
      <path d="M8 24 A16 16 0 0 1 38 16" fill="none" stroke="currentColor" stroke-width="2.5" />
      <path d="M41 21 L32.5 17.5 L40.5 11 Z" fill="currentColor" />
    </g>
  </svg>
</template>

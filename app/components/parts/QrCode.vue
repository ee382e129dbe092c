<script setup lang="ts">
import { create } from 'qrcode'
import { computed } from 'vue'

/** An address that a camera reads. */
const props = defineProps<{ text: string; label: string }>()
const QUIET = 4
const drawn = computed(() => {
  const { size, data } = create(props.text, { errorCorrectionLevel: 'M' }).modules
  const dark = Array.from({ length: size * size }, (_, i) => i).filter((i) => data[i])
  return {
    size: size + 2 * QUIET,
    path: dark.map((i) => `M${(i % size) + QUIET} ${Math.floor(i / size) + QUIET}h1v1h-1z`).join('')
  }
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${drawn.size} ${drawn.size}`"
    role="img"
    :aria-label="label"
    class="w-56 bg-white"
    data-testid="qr">
    <path :d="drawn.path" fill="black" shape-rendering="crispEdges" />
  </svg>
</template>

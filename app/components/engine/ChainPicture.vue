<script setup lang="ts">
/** Two links of a chain from the side: plates with thin bushes, with rollers, or with teeth of their own. */
defineProps<{ type: string }>()
const AT = [14, 38, 62] as const
</script>

<template>
  <svg viewBox="0 0 76 32" class="mx-auto my-1 h-9" aria-hidden="true" fill="none" stroke="currentColor">
    <template v-if="type === 'inverted-tooth'">
      <path
        v-for="x in AT.slice(0, 2)"
        :key="x"
        :d="`M${x - 8} 6 H${x + 32} V14 L${x + 27} 28 L${x + 20} 16 H${x + 4} L${x - 3} 28 L${x - 8} 14 Z`"
        stroke-width="1.6" />
      <circle v-for="x in AT" :key="`p${x}`" :cx="x" cy="11" r="2.4" fill="currentColor" stroke="none" />
    </template>
    <template v-else>
      <path
        v-for="x in AT.slice(0, 2)"
        :key="x"
        :d="`M${x} 6 C${x + 8} 6 ${x + 8} 10 ${x + 12} 10 C${x + 16} 10 ${x + 16} 6 ${x + 24} 6 A10 10 0 0 1 ${x + 24} 26 C${x + 16} 26 ${x + 16} 22 ${x + 12} 22 C${x + 8} 22 ${x + 8} 26 ${x} 26 A10 10 0 0 1 ${x} 6`"
        stroke-width="1.6" />
      <template v-for="x in AT" :key="`p${x}`">
        <circle v-if="type === 'roller'" :cx="x" cy="16" r="6.4" stroke-width="1.6" />
        <circle :cx="x" cy="16" :r="type === 'roller' ? 2.6 : 3.8" fill="currentColor" stroke="none" />
      </template>
    </template>
  </svg>
</template>

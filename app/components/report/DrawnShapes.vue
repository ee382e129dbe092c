<script setup lang="ts">
import type { Drawing } from '../../../draw/shapes'
import ShapeList from '../parts/ShapeList.vue'

/** A drawing in the page's own ink: readable on paper and without colour. */
defineProps<{ drawing: Drawing; label: string }>()
</script>

<template>
  <svg :viewBox="`0 0 ${drawing.width} ${drawing.height}`" class="block w-full bg-sheet" role="img" :aria-label="label">
    <ShapeList :shapes="drawing.shapes" />
  </svg>
</template>

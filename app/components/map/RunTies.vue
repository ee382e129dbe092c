<script setup lang="ts">
import type { RunPlace } from '../../../draw/drawing'

/** Lines from counts that stand off to the runs they belong to. */
defineProps<{ places: Iterable<RunPlace> }>()
</script>

<template>
  <template v-for="({ x, y, tie }, i) in places" :key="i"
    ><path v-if="tie" :d="`M${tie.x} ${tie.y}L${x} ${y}`" class="stroke-scribe" stroke-width="1" stroke-dasharray="2 2"
  /></template>
</template>

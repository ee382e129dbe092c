<script setup lang="ts">
import { computed } from 'vue'
import type { Point } from '../../../core/math'
import type { Projection } from '../../../draw/drawing'

/** The chain link by link where its pins stand now; few strokes, as it is drawn anew for every frame. */
const props = defineProps<{
  pins: readonly Point[]
  coloured: readonly number[]
  pitch: number
  projection: Projection
}>()

const width = computed(() => 0.5 * props.pitch * props.projection.scale)
const paths = computed(() => {
  const { x, y } = props.projection
  const at = props.pins.map(([px, py]) => `${x(px).toFixed(1)} ${y(py).toFixed(1)}`)
  const link = (i: number) => `M${at[i]}L${at[(i + 1) % at.length]}`
  let [outer, inner] = ['', '']
  for (let i = 0; i < at.length; i++)
    if (i % 2 === 0) outer += link(i)
    else inner += link(i)
  return { outer, inner, brass: props.coloured.map(link).join('') }
})
</script>

<template>
  <g fill="none" stroke-linecap="round">
    <path :d="paths.outer" :stroke-width="width + 2" class="stroke-scribe" />
    <path :d="paths.outer" :stroke-width="width - 0.6" class="stroke-plate" />
    <path :d="paths.inner" :stroke-width="width * 0.6" class="stroke-scribe" />
    <path :d="paths.brass" :stroke-width="width + 1.4" class="stroke-lit" />
  </g>
</template>

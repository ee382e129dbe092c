<script setup lang="ts">
import { computed } from 'vue'
import type { ChainPicture } from '../../../core/drive'
import type { Projection } from '../../../draw/drawing'

/**
 * The chain link by link: inner plates, outer plates and pins, coloured links in brass. One that runs behind another is
 * drawn fainter.
 */
const props = defineProps<{
  picture: ChainPicture
  pitch: number
  projection: Projection
  chosen: boolean
  behind?: boolean
}>()

const width = computed(() => 0.55 * props.pitch * props.projection.scale)
const points = computed(() =>
  props.picture.pins.map(([x, y]) => ({ x: props.projection.x(x), y: props.projection.y(y) }))
)
const links = computed(() =>
  points.value.map((from, i) => ({
    from,
    to: points.value[(i + 1) % points.value.length]!,
    outer: i % 2 === 0,
    brass: props.picture.colouredLinks.includes(i)
  }))
)
const plates = (outer: boolean) =>
  links.value
    .filter((link) => link.outer === outer)
    .map(({ from, to }) => `M${from.x.toFixed(1)} ${from.y.toFixed(1)}L${to.x.toFixed(1)} ${to.y.toFixed(1)}`)
    .join('')
const brass = computed(() =>
  links.value
    .filter((link) => link.brass)
    .map(({ from, to }) => `M${from.x} ${from.y}L${to.x} ${to.y}`)
    .join('')
)
const pins = computed(() => points.value.map(({ x, y }) => `M${x.toFixed(1)} ${y.toFixed(1)}h0`).join(''))
</script>

<template>
  <g fill="none" stroke-linecap="round">
    <path
      :d="plates(true)"
      :stroke-width="width + 2.4"
      :class="chosen ? 'stroke-lit' : behind ? 'stroke-hair' : 'stroke-scribe'" />
    <path :d="plates(true)" :stroke-width="width" class="stroke-plate" />
    <path
      :d="plates(false)"
      :stroke-width="width * 0.72 + 1.8"
      :class="chosen ? 'stroke-lit' : behind ? 'stroke-hair' : 'stroke-scribe'" />
    <path :d="plates(false)" :stroke-width="width * 0.72" class="stroke-plate" />
    <path :d="brass" :stroke-width="width + 1.6" class="stroke-lit" />
    <path :d="pins" :stroke-width="Math.max(2, width * 0.36)" class="stroke-scribe" />
  </g>
</template>

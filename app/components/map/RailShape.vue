<script setup lang="ts">
import { computed } from 'vue'
import type { RailPicture } from '../../../core/drive'
import { polar, railPaths, type Projection } from '../../../draw/drawing'

const props = defineProps<{ rail: RailPicture; pitch: number; projection: Projection; chosen: boolean }>()

const paths = computed(() => railPaths(props.rail, props.pitch, props.projection.scale))
const at = computed(() => ({
  x: props.projection.x(props.rail.centre[0]),
  y: props.projection.y(props.rail.centre[1])
}))
const bolts = computed(() => {
  const { from, to, radius, pivot } = props.rail
  const r = (radius - 0.42 * props.pitch - 7) * props.projection.scale
  const inset = (to - from) * 0.1
  return pivot ? [] : [polar(from + inset, r), polar(to - inset, r)]
})
/** The arm's web to its pivot, in the middle of the body. */
const web = computed(() => {
  const { from, to, radius, pivot } = props.rail
  if (!pivot) return null
  const p = { x: props.projection.x(pivot[0]) - at.value.x, y: props.projection.y(pivot[1]) - at.value.y }
  const r = (radius - 0.42 * props.pitch - 7) * props.projection.scale
  const ends = [polar(from, r), polar(to, r)]
  const near = ends.reduce((a, b) => (Math.hypot(a.x - p.x, a.y - p.y) < Math.hypot(b.x - p.x, b.y - p.y) ? a : b))
  const length = Math.hypot(near.x - p.x, near.y - p.y) || 1
  const across = {
    x: (-(near.y - p.y) / length) * props.projection.scale,
    y: ((near.x - p.x) / length) * props.projection.scale
  }
  const corner = (at: { x: number; y: number }, half: number) => `${at.x + across.x * half} ${at.y + across.y * half}`
  return { pivot: p, d: `M${corner(p, 4)}L${corner(near, 5.5)}L${corner(near, -5.5)}L${corner(p, -4)}Z` }
})
</script>

<template>
  <g :transform="`translate(${at.x} ${at.y})`" :class="chosen ? 'stroke-lit' : 'stroke-scribe'">
    <path v-if="web" :d="web.d" class="fill-plate" stroke-width="1" />
    <path :d="paths.body" class="fill-plate" :stroke-width="chosen ? 2 : 1.1" />
    <path :d="paths.lining" :class="chosen ? 'fill-lit' : 'fill-hair'" stroke-width="0.800" />
    <circle
      v-for="(bolt, i) in bolts"
      :key="i"
      :cx="bolt.x"
      :cy="bolt.y"
      :r="2.6 * projection.scale"
      class="fill-plate"
      stroke-width="1" />
    <circle
      v-if="web"
      :cx="web.pivot.x"
      :cy="web.pivot.y"
      :r="4.5 * projection.scale"
      class="fill-plate"
      stroke-width="1.300" />
  </g>
</template>

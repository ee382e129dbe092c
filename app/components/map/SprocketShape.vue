<script setup lang="ts">
import { computed } from 'vue'
import type { SprocketPicture } from '../../../core/drive'
import { polar, toothPath, type Projection } from '../../../draw/drawing'

const props = defineProps<{ sprocket: SprocketPicture; pitch: number; projection: Projection; chosen: boolean }>()

const radius = computed(() => props.sprocket.radius * props.projection.scale)
/** Gear teeth stand closer than a chain's. */
const GEAR_TOOTH = 0.7
const teeth = computed(() =>
  toothPath(props.sprocket, props.pitch * (props.sprocket.gear ? GEAR_TOOTH : 1), props.projection.scale)
)
/** Of a cam that gears drive: the gear on the other cam that drives it, from this one's centre. */
const driving = computed(() => {
  const { gear, centre } = props.sprocket
  if (!gear) return null
  const { scale } = props.projection
  return {
    x: (gear.from[0] - centre[0]) * scale,
    y: -(gear.from[1] - centre[1]) * scale,
    d: toothPath({ ...props.sprocket, radius: gear.radius, teeth: gear.teeth }, props.pitch * GEAR_TOOTH, scale)
  }
})
const mark = computed(() => {
  const { mark: m } = props.sprocket
  if (!m) return null
  const r = radius.value
  return {
    from: polar(m.at, r * 0.5),
    to: polar(m.at, r - 0.4 * props.pitch * props.projection.scale),
    inner: polar(m.should, r + 13),
    outer: polar(m.should, r + 24)
  }
})
</script>

<template>
  <g :transform="`translate(${projection.x(sprocket.centre[0])} ${projection.y(sprocket.centre[1])})`">
    <path
      v-if="driving"
      :d="driving.d"
      :transform="`translate(${driving.x} ${driving.y})`"
      class="fill-none stroke-hair"
      stroke-width="1" />
    <path
      :d="teeth"
      class="fill-plate"
      :class="chosen ? 'stroke-lit' : 'stroke-scribe'"
      :stroke-width="chosen ? 2.4 : 1.2" />
    <circle :r="radius * 0.44" class="fill-none stroke-hair" stroke-width="1" />
    <circle r="3" class="fill-none stroke-scribe" stroke-width="1" />
    <path
      :d="`M${-radius * 0.18} 0H${radius * 0.18}M0 ${-radius * 0.18}V${radius * 0.18}`"
      class="stroke-hair"
      stroke-width="1" />
    <template v-if="mark">
      <line
        :x1="mark.inner.x"
        :y1="mark.inner.y"
        :x2="mark.outer.x"
        :y2="mark.outer.y"
        class="stroke-scribe"
        stroke-width="2" />
      <line
        :x1="mark.from.x"
        :y1="mark.from.y"
        :x2="mark.to.x"
        :y2="mark.to.y"
        class="stroke-lit"
        stroke-width="3.500"
        stroke-linecap="round" />
    </template>
  </g>
</template>

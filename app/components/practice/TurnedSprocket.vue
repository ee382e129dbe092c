<script setup lang="ts">
import { computed } from 'vue'
import type { SprocketPicture } from '../../../core/drive'
import { polar, toothPath, type Projection } from '../../../draw/drawing'

/** A sprocket as it stands at the setting point, turned as a whole: only its angle changes from frame to frame. */
const props = defineProps<{ sprocket: SprocketPicture; pitch: number; projection: Projection; turn: number }>()

const radius = computed(() => props.sprocket.radius * props.projection.scale)
const teeth = computed(() => toothPath(props.sprocket, props.pitch, props.projection.scale))
const mark = computed(() => {
  const { mark: m } = props.sprocket
  return (
    m && {
      from: polar(m.at, radius.value * 0.5),
      to: polar(m.at, radius.value - 0.4 * props.pitch * props.projection.scale),
      inner: polar(m.should, radius.value + 13),
      outer: polar(m.should, radius.value + 24)
    }
  )
})
</script>

<template>
  <g :transform="`translate(${projection.x(sprocket.centre[0])} ${projection.y(sprocket.centre[1])})`">
    <g :transform="`rotate(${turn.toFixed(2)})`" :data-testid="`turned-${sprocket.id}`">
      <path :d="teeth" class="fill-plate stroke-scribe" stroke-width="1.200" />
      <circle :r="radius * 0.44" class="fill-none stroke-hair" stroke-width="1" />
      <path
        :d="`M${-radius * 0.3} 0H${radius * 0.3}M0 ${-radius * 0.3}V${radius * 0.3}`"
        class="stroke-hair"
        stroke-width="1" />
      <line
        v-if="mark"
        :x1="mark.from.x"
        :y1="mark.from.y"
        :x2="mark.to.x"
        :y2="mark.to.y"
        class="stroke-lit"
        stroke-width="3.500"
        stroke-linecap="round" />
    </g>
    <line
      v-if="mark"
      :x1="mark.inner.x"
      :y1="mark.inner.y"
      :x2="mark.outer.x"
      :y2="mark.outer.y"
      class="stroke-scribe"
      stroke-width="2" />
  </g>
</template>

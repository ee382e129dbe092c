<script setup lang="ts">
import { computed } from 'vue'
import type { TensionerPicture } from '../../../core/drive'
import type { Projection } from '../../../draw/drawing'

/** The tensioner along its axis: body, plunger out to where it stands, a scale of millimetres with its limit. */
const props = defineProps<{
  tensioner: TensionerPicture
  limit: number | null
  projection: Projection
  chosen: boolean
  /** Without its scale. */ plain?: boolean
}>()

const HALF_BODY = 11
const HALF_PLUNGER = 5
const at = computed(() => {
  const { seat, axis } = props.tensioner
  const angle = (-Math.atan2(axis[1], axis[0]) * 180) / Math.PI
  return `translate(${props.projection.x(seat[0])} ${props.projection.y(seat[1])}) rotate(${angle})`
})
const s = computed(() => props.projection.scale)
const ticks = computed(() =>
  Array.from({ length: Math.floor(props.tensioner.stroke) + 1 }, (_, mm) => ({ mm, long: mm % 5 === 0 }))
)
</script>

<template>
  <g :transform="at" :class="chosen ? 'stroke-lit' : 'stroke-scribe'">
    <rect
      :x="-(tensioner.stroke + 14) * s"
      :y="-HALF_BODY * s"
      :width="(tensioner.stroke + 12) * s"
      :height="2 * HALF_BODY * s"
      class="fill-plate"
      :stroke-width="chosen ? 2 : 1.1"
      rx="2" />
    <rect
      :x="-tensioner.stroke * s"
      :y="-HALF_PLUNGER * s"
      :width="(tensioner.stroke + tensioner.extension) * s"
      :height="2 * HALF_PLUNGER * s"
      class="fill-plate"
      stroke-width="1.100"
      rx="1" />
    <g v-if="!plain" class="stroke-hair" stroke-width="0.800">
      <line
        v-for="{ mm, long } in ticks"
        :key="mm"
        :x1="mm * s"
        :x2="mm * s"
        :y1="(HALF_BODY + 2) * s"
        :y2="(HALF_BODY + (long ? 7 : 4.5)) * s" />
    </g>
    <line
      v-if="limit !== null"
      :x1="limit * s"
      :x2="limit * s"
      :y1="-(HALF_PLUNGER + 4) * s"
      :y2="(HALF_BODY + 9) * s"
      class="stroke-pink"
      stroke-width="2" />
  </g>
</template>

<script setup lang="ts">
import { CAM_DIAL } from '../../../words/en'
import { arc } from 'd3-shape'
import { computed } from 'vue'
import { NINETY } from '../../../core/math'
import type { CamEstimate } from '../../../core/estimate'
import { fixDigits, lagWords, oddsWords, teethWords } from '../../words'
import { placeOn } from './placeOn'

/** A cam's lag as a small dial, 12 o'clock at its mark, late to the right; its limit and its odds of a jump. */
const props = defineProps<{ name: string; cam: CamEstimate; limit: number | null }>()

const RADIUS = 30
const half = computed(() => NINETY * props.cam.lag.sd)
const span = computed(() => Math.max(8, 1.5 * (props.limit ?? 5), 1.15 * (Math.abs(props.cam.lag.mean) + half.value)))
const turn = computed(() => placeOn([-span.value, span.value], [-1.9, 1.9]))
const ring = (from: number, to: number) =>
  arc()({ innerRadius: RADIUS - 7, outerRadius: RADIUS, startAngle: turn.value(from), endAngle: turn.value(to) }) ?? ''
const ray = (degrees: number, inner: number, outer: number) => {
  const a = turn.value(degrees)
  const at = (r: number) => `${(r * Math.sin(a)).toFixed(2)} ${(-r * Math.cos(a)).toFixed(2)}`
  return `M${at(inner)}L${at(outer)}`
}
const jump = computed(() =>
  props.cam.jump.told
    ? `${props.cam.jump.teeth === 0 ? CAM_DIAL.noJump : teethWords(props.cam.jump.teeth)}, ${oddsWords(props.cam.jump.odds)}`
    : ''
)
const says = computed(() =>
  CAM_DIAL.giveOrTake(props.name, lagWords(props.cam.lag.mean), fixDigits(half.value, 1), jump.value)
)
</script>

<template>
  <div class="flex min-w-0 items-center gap-2">
    <svg width="64" height="54" viewBox="-33 -34 66 56" role="img" :aria-label="says" class="shrink-0">
      <path :d="ring(-span, span)" class="fill-paper stroke-faint" stroke-width="0.700" />
      <path
        :d="ring(Math.max(-span, cam.lag.mean - half), Math.min(span, cam.lag.mean + half))"
        class="fill-ink"
        opacity="0.300" />
      <path :d="ray(0, RADIUS - 11, RADIUS + 3)" class="stroke-faint" stroke-width="1.500" />
      <path v-if="limit !== null" :d="ray(limit, RADIUS - 9, RADIUS + 3)" class="stroke-renew" stroke-width="2" />
      <path :d="ray(cam.lag.mean, 6, RADIUS)" class="stroke-ink" stroke-width="2.500" />
      <circle r="3" class="fill-ink" />
    </svg>
    <p class="min-w-0 leading-tight">
      <span class="block text-note leading-tight">{{ name }}</span>
      <span class="block"
        ><span class="figure">{{ lagWords(cam.lag.mean) }}</span
        >{{ ' ' }}<slot
      /></span>
      <span
        class="block text-note"
        :class="cam.jump.told && cam.jump.teeth !== 0 ? 'font-bold text-renew' : 'text-faint'"
        >{{ jump || CAM_DIAL.jumpNotKnown(fixDigits(half, 1)) }}</span
      >
    </p>
  </div>
</template>

<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import { extent, max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'
import type { Trace } from '../../../core/trace'
import type { DriveSheet } from '../../../core/sheet'
import { fixDigits, lagWords, partName } from '../../words'

/** Each cam's lag with its spread, cycle by cycle, and the speed below, on one axis of crank turns. */
const props = defineProps<{ sheet: DriveSheet; trace: Trace }>()
const [WIDTH, ROW, LEFT] = [860, 34, 4]
/** crank degrees, and rpm, that a strip shows at least. */
const [LEAST_DEGREES, LEAST_RPM] = [0.6, 40]

const turns = computed(() =>
  scaleLinear()
    .domain([0, max(props.trace.speeds, ({ turn }) => turn) ?? 1])
    .range([LEFT, WIDTH - LEFT])
)
function stripOf(points: readonly { turn: number; value: number }[], least: number) {
  const [low = 0, high = 0] = extent(points, ({ value }) => value) as [number?, number?]
  const half = Math.max(least, high - low) / 2
  const middle = (low + high) / 2
  const y = scaleLinear()
    .domain([middle - half, middle + half])
    .range([ROW - 3, 15])
  const d = line<{ turn: number; value: number }>(
    ({ turn }) => turns.value(turn),
    ({ value }) => y(value)
  )(points)
  return { low, high, d: d ?? '', y }
}
const strips = computed(() => [
  ...Object.entries(props.trace.cams).map(([id, { lag, spread, cycles }]) => {
    const strip = stripOf(
      cycles.map(({ turn, lag: value }) => ({ turn, value })),
      Math.max(LEAST_DEGREES, 3 * spread)
    )
    const [top, bottom] = [strip.y(lag + spread), strip.y(lag - spread)]
    return {
      id,
      d: strip.d,
      says: TRACE_PAGE.lagStrip(partName(props.sheet, id), lagWords(strip.low), lagWords(strip.high)),
      band: { y: top, height: Math.max(1, bottom - top) }
    }
  }),
  (() => {
    const { low, high, d } = stripOf(
      props.trace.speeds.map(({ turn, rpm }) => ({ turn, value: rpm })),
      LEAST_RPM
    )
    const says = `${TRACE_PAGE.speed}: ${TRACE_PAGE.rpmOf(fixDigits(low, 0), fixDigits(high, 0))}`
    return { id: 'speed', d, says, band: null }
  })()
])
const height = computed(() => strips.value.length * ROW + 18)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${height}`"
    class="w-full bg-plate text-scribe"
    role="img"
    :aria-label="TRACE_PAGE.strips"
    data-testid="strips">
    <g v-for="(strip, i) in strips" :key="strip.id" :transform="`translate(0 ${i * ROW})`" :data-strip="strip.id">
      <rect
        v-if="strip.band"
        :x="LEFT"
        :width="WIDTH - 2 * LEFT"
        :y="strip.band.y"
        :height="strip.band.height"
        class="fill-scribe/20" />
      <path :d="strip.d" class="fill-none stroke-lit" stroke-width="1.4" />
      <text x="6" y="11" class="fill-scribe text-mark">{{ strip.says }}</text>
    </g>
    <text
      v-for="tick in turns.ticks(6).filter((at) => at > 0)"
      :key="tick"
      :x="turns(tick)"
      :y="height - 4"
      text-anchor="end"
      class="fill-scribe text-mark">
      {{ TRACE_PAGE.afterTurns(tick) }}
    </text>
  </svg>
</template>

<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import type { Trace } from '../../../core/trace'
import type { DriveSheet } from '../../../core/sheet'
import { partName } from '../../words'

/** Each cam's high stretches over the cycle: as on a new drive, and as they came. */
const props = defineProps<{
  sheet: DriveSheet
  trace: Trace
  /** How late each cam came before the repair, where it was traced then. */
  before: Readonly<Record<string, number>>
}>()
const [WIDTH, ROW, LEFT] = [860, 46, 4]
const BEFORE = 11
const x = scaleLinear()
  .domain([0, 720])
  .range([LEFT, WIDTH - LEFT])
const rows = computed(() =>
  Object.entries(props.trace.cams).flatMap(([id, { lag, own }]) => {
    const pattern = props.sheet.triggers?.cams[id]
    if (!pattern) return []
    const bars = (shift: (edge: number) => number) =>
      pattern.flatMap((stretch, i) => {
        const [from, to] = [stretch[0]! + shift(2 * i), stretch[1]! + shift(2 * i + 1)]
        // What runs over the cycle's end begins again at its start.
        return [0, 720, -720].flatMap((by) => {
          const [a, b] = [Math.max(0, from + by), Math.min(720, to + by)]
          return b > a ? [{ x: x(a), width: x(b) - x(a) }] : []
        })
      })
    return [
      {
        id,
        name: partName(props.sheet, id),
        fresh: bars(() => 0),
        found: bars((edge) => lag + (own[edge] ?? 0)),
        before: id in props.before ? bars(() => props.before[id]!) : []
      }
    ]
  })
)
</script>

<template>
  <figure v-if="rows.length">
    <svg
      :viewBox="`0 0 ${WIDTH} ${rows.length * ROW + 22}`"
      class="w-full bg-plate text-scribe"
      role="img"
      :aria-label="TRACE_PAGE.folded"
      data-testid="fold">
      <g v-for="(row, i) in rows" :key="row.id" :transform="`translate(0 ${i * ROW})`">
        <text x="6" y="13" class="fill-scribe text-mark">{{ row.name }}</text>
        <rect v-for="(bar, k) in row.fresh" :key="`n${k}`" v-bind="bar" y="18" height="9" class="fill-scribe/40" />
        <rect
          v-for="(bar, k) in row.before"
          :key="`b${k}`"
          v-bind="bar"
          y="28"
          :height="BEFORE"
          class="fill-none stroke-scribe [stroke-dasharray:3_3]"
          data-testid="fold-before" />
        <rect v-for="(bar, k) in row.found" :key="`f${k}`" v-bind="bar" y="29" height="11" class="fill-lit" />
      </g>
      <g v-for="at in [0, 180, 360, 540, 720]" :key="at">
        <line :x1="x(at)" :x2="x(at)" y1="0" :y2="rows.length * ROW" class="stroke-scribe/30" />
        <text
          :x="x(at)"
          :y="rows.length * ROW + 15"
          :text-anchor="at === 0 ? 'start' : at === 720 ? 'end' : 'middle'"
          class="fill-scribe text-mark">
          {{ TRACE_PAGE.degrees(at) }}
        </text>
      </g>
    </svg>
    <figcaption class="text-note text-scribe">
      {{ TRACE_PAGE.folded }}
      <template v-if="rows.some((row) => row.before.length)">{{ TRACE_PAGE.foldedBefore }}</template>
    </figcaption>
  </figure>
</template>

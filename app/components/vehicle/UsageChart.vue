<script setup lang="ts">
import { withDecimals } from '../../../words/spoken'
import { COMMON, USAGE_CHART } from '../../../words/en'
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref } from 'vue'
import { lengthWords, shownUsage } from '../../units'
import { fixDigits, limitWords, usageWords, USAGE_UNITS } from '../../words'
import type { Track } from './tracks'
import FigureTable from '../parts/FigureTable.vue'

/**
 * A measure of a part over usage: each job's figure with its 90 % interval, the limit with its source, and the same as
 * a table.
 */
const props = defineProps<{ track: Track }>()

const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box, { width: 860, height: 300 })
const HEIGHT = 300
const [LEFT, RIGHT, TOP, FOOT] = [56, 34, 14, 40]

const unit = computed(() => shownUsage({ value: 0, unit: props.track.unit }).unit)
const usageOf = (value: number) => shownUsage({ value, unit: props.track.unit }).value
const limit = computed(() => props.track.points.at(-1)!.limit)
const most = computed(() => 1.1 * Math.max(limit.value?.value ?? 0, ...props.track.points.map(({ high }) => high), 0.1))
const x = computed(() =>
  scaleLinear(
    [0, 1.08 * Math.max(1, ...props.track.points.map(({ usage }) => usageOf(usage)))],
    [LEFT, Math.max(LEFT + 40, width.value - RIGHT)]
  ).nice()
)
const y = computed(() => scaleLinear([0, most.value], [HEIGHT - FOOT, TOP]).nice())
const path = computed(
  () =>
    line<Track['points'][number]>(
      ({ usage }) => x.value(usageOf(usage)),
      ({ value }) => y.value(value)
    )(props.track.points) ?? ''
)
const says = (value: number) => (props.track.kind === 'elongation' ? `${fixDigits(value, 2)} %` : lengthWords(value, 2))
const thousands = (value: number) =>
  Math.round(value)
    .toString()
    .replaceAll(/\B(?=(\d{3})+$)/g, ' ')
</script>

<template>
  <div ref="box" class="min-w-0">
    <svg
      :width="width"
      :height="HEIGHT"
      role="img"
      :aria-label="USAGE_CHART.overUsageJobsTheSame(track.title, track.points.length)"
      data-testid="usage-chart">
      <g class="stroke-rule" font-size="12">
        <template v-for="tick in y.ticks(5)" :key="tick">
          <line :x1="LEFT" :x2="width - RIGHT" :y1="y(tick)" :y2="y(tick)" />
          <text :x="LEFT - 8" :y="y(tick) + 4" text-anchor="end" stroke="none" class="fill-faint">
            {{ withDecimals(String(tick)) }}
          </text>
        </template>
        <text
          v-for="tick in x.ticks(6)"
          :key="tick"
          :x="x(tick)"
          :y="HEIGHT - FOOT + 18"
          text-anchor="middle"
          stroke="none"
          class="fill-faint">
          {{ thousands(tick) }}
        </text>
        <text :x="width - 4" :y="HEIGHT - 4" text-anchor="end" stroke="none" class="fill-faint">
          {{ USAGE_UNITS[unit] }}
        </text>
        <text x="2" :y="TOP" stroke="none" class="fill-faint">
          {{ track.kind === 'elongation' ? '%' : USAGE_CHART.mm }}
        </text>
      </g>
      <template v-if="limit">
        <line
          :x1="LEFT"
          :x2="width - RIGHT"
          :y1="y(limit.value)"
          :y2="y(limit.value)"
          class="stroke-renew"
          stroke-width="2" />
        <text :x="width - RIGHT" :y="y(limit.value) - 6" text-anchor="end" font-size="12" class="fill-renew">
          {{ USAGE_CHART.limit(limitWords(limit)) }}
        </text>
      </template>
      <path :d="path" fill="none" class="stroke-faint" stroke-width="1.500" stroke-dasharray="4 4" />
      <g v-for="point in track.points" :key="point.job">
        <line
          :x1="x(usageOf(point.usage))"
          :x2="x(usageOf(point.usage))"
          :y1="y(Math.max(0, point.low))"
          :y2="y(point.high)"
          class="stroke-ink"
          stroke-width="3"
          opacity="0.450" />
        <circle
          :cx="x(usageOf(point.usage))"
          :cy="y(Math.max(0, point.value))"
          r="5"
          class="fill-sheet stroke-ink"
          stroke-width="2.500" />
      </g>
    </svg>
    <FigureTable
      class="mt-2"
      :caption="USAGE_CHART.overUsage(track.title)"
      :heads="[
        USAGE_CHART.at,
        track.kind === 'elongation'
          ? COMMON.elongation
          : track.kind === 'groove'
            ? USAGE_CHART.grooveDepth
            : USAGE_CHART.extension,
        USAGE_CHART.ninetyBetween,
        USAGE_CHART.job
      ]">
      <tr v-for="point in track.points" :key="point.job">
        <td class="figure font-normal">{{ usageWords({ value: point.usage, unit: track.unit }) }}</td>
        <td class="figure">{{ says(point.value) }}</td>
        <td class="figure font-normal">{{ USAGE_CHART.and(says(Math.max(0, point.low)), says(point.high)) }}</td>
        <td>
          <NuxtLink :to="`/jobs/${point.job}`" class="underline decoration-brass underline-offset-2">{{
            point.at.slice(0, 10)
          }}</NuxtLink>
        </td>
      </tr>
    </FigureTable>
  </div>
</template>

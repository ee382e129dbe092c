<script setup lang="ts">
import { withDecimals } from '../../../words/spoken'
import { CALIBRATION_CHART } from '../../../words/en'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { NINETY } from '../../../core/math'
import type { CalibrationPoint } from '../../../core/views/summary'
import { fixDigits } from '../../words'
import FigureTable from '../parts/FigureTable.vue'

/**
 * First estimates against the bench: on the line they agree, each with its 90 % interval, the bench length too. The
 * table below has the same figures.
 */
const props = defineProps<{ points: readonly CalibrationPoint[] }>()
const [SIZE, EDGE, END] = [420, 46, 12]
const most = computed(
  () =>
    1.1 *
    Math.max(
      0.1,
      ...props.points.flatMap(({ mean, sd, bench, benchSd }) => [mean + NINETY * sd, bench + NINETY * benchSd])
    )
)
const x = computed(() => scaleLinear([0, most.value], [EDGE, SIZE - END]).nice())
const y = computed(() => scaleLinear([0, most.value], [SIZE - EDGE, END]).nice())
const top = computed(() => x.value.domain()[1]!)
</script>

<template>
  <div>
    <svg
      :viewBox="`0 0 ${SIZE} ${SIZE}`"
      class="mt-2 block w-full"
      role="img"
      :aria-label="CALIBRATION_CHART.firstEstimatesAgainstBenchLengths">
      <g font-size="12" class="stroke-rule">
        <template v-for="tick in x.ticks(5)" :key="tick">
          <line :x1="x(tick)" :x2="x(tick)" :y1="END" :y2="SIZE - EDGE" />
          <line :x1="EDGE" :x2="SIZE - END" :y1="y(tick)" :y2="y(tick)" />
          <text :x="x(tick)" :y="SIZE - EDGE + 16" text-anchor="middle" stroke="none" class="fill-faint">
            {{ withDecimals(String(tick)) }}
          </text>
          <text :x="EDGE - 6" :y="y(tick) + 4" text-anchor="end" stroke="none" class="fill-faint">
            {{ withDecimals(String(tick)) }}
          </text>
        </template>
        <text :x="SIZE - END" :y="SIZE - 6" text-anchor="end" stroke="none" class="fill-faint">
          {{ CALIBRATION_CHART.onTheBench }}
        </text>
        <text :x="EDGE + 6" :y="END + 12" stroke="none" class="fill-faint">{{ CALIBRATION_CHART.estimated }}</text>
      </g>
      <line :x1="x(0)" :y1="y(0)" :x2="x(top)" :y2="y(top)" class="stroke-brass" stroke-width="2" />
      <g v-for="(p, i) in points" :key="i">
        <line
          :x1="x(Math.max(0, p.bench))"
          :x2="x(Math.max(0, p.bench))"
          :y1="y(Math.max(0, p.mean - NINETY * p.sd))"
          :y2="y(p.mean + NINETY * p.sd)"
          class="stroke-ink"
          stroke-width="2.500"
          opacity="0.450" />
        <line
          :x1="x(Math.max(0, p.bench - NINETY * p.benchSd))"
          :x2="x(Math.max(0, p.bench + NINETY * p.benchSd))"
          :y1="y(p.mean)"
          :y2="y(p.mean)"
          class="stroke-ink"
          stroke-width="2.500"
          opacity="0.450" />
        <circle
          :cx="x(Math.max(0, p.bench))"
          :cy="y(p.mean)"
          r="4.500"
          class="fill-sheet stroke-ink"
          stroke-width="2" />
      </g>
    </svg>
    <details>
      <summary class="min-h-11 cursor-pointer py-2 text-body">{{ CALIBRATION_CHART.asATable }}</summary>
      <FigureTable :heads="[CALIBRATION_CHART.chain, CALIBRATION_CHART.estimated2, CALIBRATION_CHART.onTheBench2]">
        <tr v-for="(p, i) in points" :key="i">
          <td>{{ p.name }}</td>
          <td class="figure font-normal">{{ fixDigits(p.mean, 2) }} ±{{ fixDigits(NINETY * p.sd, 2) }}</td>
          <td class="figure font-normal">{{ fixDigits(p.bench, 2) }} ±{{ fixDigits(NINETY * p.benchSd, 2) }}</td>
        </tr>
      </FigureTable>
    </details>
  </div>
</template>

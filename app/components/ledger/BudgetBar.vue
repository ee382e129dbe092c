<script setup lang="ts">
import { BUDGET_BAR, sayPartName } from '../../../words/en'
import { stack } from 'd3-shape'
import { computed } from 'vue'
import type { TensionerEstimate } from '../../../core/estimate'
import type { DriveSheet, Tensioner } from '../../../core/sheet'
import { lengthFigure, lengthWords, units } from '../../units'
import { causeWords } from '../../words'
import { placeOn } from './placeOn'

/** Where the tensioner's extension comes from, stacked against its stroke and limit. */
const props = defineProps<{ sheet: DriveSheet; tensioner: Tensioner; estimate: TensionerEstimate; brief?: boolean }>()

const WIDTH = 360
const x = computed(() =>
  placeOn([0, Math.max(props.tensioner.stroke, props.estimate.extension.read ?? 0)], [1, WIDTH - 1])
)
const parts = computed(() => {
  const { budget } = props.estimate
  const row = Object.fromEntries(budget.map(({ cause, mm }) => [cause, mm]))
  const layers = stack<Record<string, number>>().keys(Object.keys(row))([row])
  let rail = 0
  return layers.map((layer, i) => {
    const [from, to] = layer[0]!
    const { cause, mm } = budget[i]!
    const look =
      cause === 'as new'
        ? 'new'
        : cause === 'stretch'
          ? 'stretch'
          : cause === 'unexplained'
            ? 'unexplained'
            : rail++ % 2 === 0
              ? 'wear'
              : 'wear2'
    return { cause, mm, look, from: x.value(Math.min(from, to)), width: Math.abs(x.value(to) - x.value(from)) }
  })
})
const stands = computed(() => props.estimate.extension.read ?? props.estimate.extension.predicted)
const says = computed(() =>
  BUDGET_BAR.says(
    sayPartName(props.tensioner.name),
    lengthFigure(stands.value, 1),
    lengthWords(props.tensioner.stroke, 1),
    props.estimate.budget.map(({ cause, mm }) => `${causeWords(props.sheet, cause)} ${lengthFigure(mm, 1)}`)
  )
)
const fills: Record<string, string> = {
  new: 'fill-rule',
  stretch: 'fill-ink',
  wear: 'fill-faint',
  wear2: 'fill-hair',
  unexplained: 'fill-renew'
}
</script>

<template>
  <div>
    <p class="flex items-baseline justify-between gap-2">
      <span v-if="brief" class="text-note whitespace-nowrap">{{ sayPartName(tensioner.name) }}</span>
      <span
        ><span class="figure text-2xl" data-testid="extension">{{ lengthFigure(stands, 1) }}</span
        ><span class="text-faint">
          {{
            BUDGET_BAR.of(units.length === 'mm' ? tensioner.stroke : lengthFigure(tensioner.stroke, 1), units.length)
          }}</span
        ></span
      >
      <span class="text-note">{{
        estimate.extension.read === null
          ? BUDGET_BAR.expectedNotRead
          : BUDGET_BAR.left(lengthWords(estimate.travelLeft.toStroke, 1), brief)
      }}</span>
    </p>
    <svg :viewBox="`0 0 ${WIDTH} 30`" class="mt-1 block w-full" role="img" :aria-label="says">
      <rect x="1" y="7" :width="WIDTH - 2" height="15" class="fill-none stroke-faint" stroke-width="1" />
      <rect
        v-for="part in parts"
        :key="part.cause"
        :x="part.from"
        y="7"
        :width="part.width"
        height="15"
        :class="fills[part.look]"
        stroke="var(--sheet)"
        stroke-width="0.800"
        :fill-opacity="part.look === 'unexplained' ? 0.55 : 1" />
      <line
        v-if="tensioner.limit"
        :x1="x(tensioner.limit.value)"
        :x2="x(tensioner.limit.value)"
        y1="1"
        y2="28"
        class="stroke-renew"
        stroke-width="2" />
    </svg>
    <ul v-if="!brief" class="mt-1 flex flex-wrap gap-x-3 text-mark leading-snug">
      <li v-for="part in parts" :key="part.cause" class="flex items-center gap-1 whitespace-nowrap">
        <svg width="9" height="9" aria-hidden="true">
          <rect width="9" height="9" :class="fills[part.look]" class="stroke-faint" stroke-width="0.800" />
        </svg>
        {{ causeWords(sheet, part.cause) }} <span class="figure font-normal">{{ lengthFigure(part.mm, 1) }}</span>
      </li>
    </ul>
  </div>
</template>

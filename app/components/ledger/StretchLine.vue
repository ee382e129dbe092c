<script setup lang="ts">
import { withDecimals } from '../../../words/spoken'
import { STRETCH_LINE } from '../../../words/en'
import { ticks } from 'd3-array'
import { computed } from 'vue'
import type { ElongationEstimate } from '../../../core/estimate'
import type { LimitValue } from '../../../core/sheet'
import { fixDigits, oddsWords, percent } from '../../words'
import { placeOn } from './placeOn'

/** Elongation as a line: its 90 % interval against the limit. */
const props = defineProps<{
  name: string
  elongation: ElongationEstimate
  limit: LimitValue | null
  compact?: boolean
  named?: boolean
  /** How much of the doubt is there because something was not told. */
  untold?: string
}>()

const WIDTH = 300
const top = computed(() => Math.max(1.6 * (props.limit?.value ?? 0.5), 105 * props.elongation.high))
const x = computed(() => placeOn([0, top.value], [4, WIDTH - 14]))
const half = computed(() => 50 * (props.elongation.high - props.elongation.low))
const says = computed(() =>
  STRETCH_LINE.says(
    props.name,
    percent(props.elongation.mean),
    percent(props.elongation.low),
    percent(props.elongation.high),
    props.limit?.value
  )
)
</script>

<template>
  <div>
    <p class="flex flex-wrap items-baseline justify-between gap-x-2">
      <span v-if="named" class="text-note">{{ name }}</span>
      <span class="whitespace-nowrap" data-testid="stretch"
        ><span class="figure" :class="named ? 'text-2xl' : 'text-3xl'" data-testid="elongation">{{
          fixDigits(100 * elongation.mean, 2)
        }}</span
        ><span class="text-faint"> %</span>{{ ' '
        }}<span class="figure text-base font-normal">±{{ fixDigits(half, 2) }}</span
        >{{ ' ' }}<slot
      /></span>
      <span v-if="elongation.overLimit !== null" class="text-note" data-testid="over-limit">{{
        STRETCH_LINE.pastLimit(oddsWords(elongation.overLimit))
      }}</span>
      <span v-else class="text-note">{{ STRETCH_LINE.noLimitOnTheSheet }}</span>
    </p>
    <svg :viewBox="`0 0 ${WIDTH} ${compact ? 34 : 44}`" class="mt-1 block w-full" role="img" :aria-label="says">
      <line x1="2" :x2="WIDTH - 2" y1="16" y2="16" class="stroke-faint" stroke-width="1" />
      <g class="stroke-faint fill-faint" font-size="10">
        <template v-for="tick in ticks(0, top, 5)" :key="tick">
          <line :x1="x(tick)" :x2="x(tick)" y1="16" y2="20" />
          <text :x="x(tick)" y="31" text-anchor="middle" stroke="none">{{ withDecimals(String(tick)) }}</text>
        </template>
      </g>
      <rect
        :x="x(100 * elongation.low)"
        y="11"
        :width="Math.max(2, x(100 * elongation.high) - x(100 * elongation.low))"
        height="10"
        class="fill-ink"
        opacity="0.300" />
      <line
        :x1="x(100 * elongation.mean)"
        :x2="x(100 * elongation.mean)"
        y1="7"
        y2="25"
        class="stroke-ink"
        stroke-width="3" />
      <template v-if="limit">
        <line :x1="x(limit.value)" :x2="x(limit.value)" y1="2" y2="24" class="stroke-renew" stroke-width="2" />
        <path :d="`M${x(limit.value)} 2h7l-3 3.500 3 3.500h-7`" class="fill-renew" />
      </template>
    </svg>
    <p v-if="untold" class="text-mark" data-testid="untold-doubt">{{ untold }}</p>
    <p v-else-if="limit && !compact" class="text-mark text-faint">
      {{ STRETCH_LINE.ninetyInterval(limit.value, limit.unit, limit.source) }}
    </p>
  </div>
</template>

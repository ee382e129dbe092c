<script setup lang="ts">
import { withDecimals } from '../../../words/spoken'
import { FRONT_CHART } from '../../../words/en'
import { useElementSize } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, ref } from 'vue'
import type { Path } from '../../../core/paths'
import { money, oddsWords } from '../../words'

/**
 * Price now against the odds of coming back, or against the expected cost; each path can be touched. The table above
 * has the same figures.
 */
const props = defineProps<{ paths: readonly Path[]; chosen: readonly string[]; currency: string }>()
const emit = defineEmits<{ choose: [renew: readonly string[]] }>()

const box = ref<HTMLElement | null>(null)
const { width } = useElementSize(box, { width: 760, height: 280 })
const HEIGHT = 280
const [LEFT, RIGHT, TOP, FOOT] = [64, 40, 20, 40]
const against = ref<'comeBack' | 'expected'>('comeBack')
const x = computed(() =>
  scaleLinear(
    [0, 1.08 * Math.max(1, ...props.paths.map(({ cost }) => cost.now))],
    [LEFT, Math.max(LEFT + 60, width.value - RIGHT)]
  ).nice()
)
const y = computed(() =>
  scaleLinear(
    [
      0,
      against.value === 'comeBack'
        ? Math.min(1, 1.15 * Math.max(0.02, ...props.paths.map(({ cost }) => cost.comeBack)))
        : 1.1 * Math.max(1, ...props.paths.map(({ cost }) => cost.expected))
    ],
    [HEIGHT - FOOT, TOP]
  ).nice()
)
const front = computed(
  () =>
    line<Path>(
      ({ cost }) => x.value(cost.now),
      ({ cost }) => y.value(cost[against.value])
    )(props.paths.filter(({ onFront }) => onFront)) ?? ''
)
const isChosen = (path: Path) =>
  path.renew.length === props.chosen.length && path.renew.every((id) => props.chosen.includes(id))
const tickWords = (value: number) => (against.value === 'comeBack' ? `${Math.round(100 * value)} %` : String(value))
const says = (path: Path, i: number) =>
  FRONT_CHART.pathNowComesBackExpected(
    i + 1,
    money(path.cost.now, props.currency),
    oddsWords(path.cost.comeBack),
    money(path.cost.expected, props.currency)
  )
</script>

<template>
  <div ref="box" class="relative bg-sheet p-3">
    <div class="flex items-center gap-2 text-body">
      <span>{{ FRONT_CHART.priceNowAgainst }}</span><button
        v-for="(words, key) in FRONT_CHART.against"
        :key="key"
        type="button"
        class="min-h-11 border-b-2 px-1"
        :class="against === key ? 'border-brass font-bold' : 'border-transparent'"
        :aria-pressed="against === key"
        @click="against = key">
        {{ words }}
      </button>
    </div>
    <div class="relative">
      <svg :width="width" :height="HEIGHT" role="img" :aria-label="FRONT_CHART.pathsByPriceNowThe" data-testid="front">
        <g font-size="12" class="stroke-rule">
          <template v-for="tick in y.ticks(4)" :key="tick">
            <line :x1="LEFT" :x2="width - RIGHT" :y1="y(tick)" :y2="y(tick)" />
            <text :x="LEFT - 8" :y="y(tick) + 4" text-anchor="end" stroke="none" class="fill-faint">
              {{ tickWords(tick) }}
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
            {{ withDecimals(String(tick)) }}
          </text>
          <text :x="width - RIGHT" :y="HEIGHT - 4" text-anchor="end" stroke="none" class="fill-faint">
            {{ FRONT_CHART.priceNow(currency) }}
          </text>
        </g>
        <path :d="front" fill="none" class="stroke-faint" stroke-width="1.500" stroke-dasharray="5 4" />
        <g v-for="(path, i) in paths" :key="path.renew.join()">
          <circle
            :cx="x(path.cost.now)"
            :cy="y(path.cost[against])"
            :r="isChosen(path) ? 9 : path.schools.length ? 6 : 4"
            class="stroke-ink"
            :class="isChosen(path) ? 'fill-brass' : 'fill-sheet'"
            stroke-width="2" />
          <text
            :x="x(path.cost.now)"
            :y="y(path.cost[against]) - 13"
            text-anchor="middle"
            font-size="13"
            font-weight="700"
            class="fill-ink">
            {{ i + 1 }}
          </text>
        </g>
      </svg>
      <button
        v-for="(path, i) in paths"
        :key="path.renew.join()"
        type="button"
        class="absolute size-11 rounded-full"
        :style="{ left: `${x(path.cost.now) - 22}px`, top: `${y(path.cost[against]) - 22}px` }"
        :aria-label="says(path, i)"
        :aria-pressed="isChosen(path)"
        @click="emit('choose', path.renew)" />
    </div>
  </div>
</template>

<script setup lang="ts">
import { SCORE_LINE } from '../../../words/en'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed } from 'vue'
import type { RunSummary } from '../../../core/views/practice'

/** Scores one after another, the oldest at the left; a table of the same stands beside it. */
const props = defineProps<{ runs: readonly RunSummary[] }>()
const [WIDTH, HEIGHT] = [520, 110]
const runs = computed(() => props.runs.slice(0, 20).toReversed())
const x = computed(() => scaleLinear([0, Math.max(1, runs.value.length - 1)], [34, WIDTH - 12]))
const y = scaleLinear([0, 100], [HEIGHT - 14, 10])
const path = computed(
  () =>
    line<RunSummary>(
      (_, i) => x.value(i),
      (run) => y(run.score)
    )(runs.value) ?? ''
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="my-2 block w-full"
    role="img"
    :aria-label="SCORE_LINE.scoresOfTheLastCases(runs.length, runs.map(({ score }) => score).join(', '))">
    <template v-for="tick in [0, 50, 100]" :key="tick">
      <line x1="34" :x2="WIDTH - 12" :y1="y(tick)" :y2="y(tick)" class="stroke-rule" />
      <text x="28" :y="y(tick) + 4" text-anchor="end" font-size="11" class="fill-faint">{{ tick }}</text>
    </template>
    <path :d="path" fill="none" class="stroke-ink" stroke-width="1.500" />
    <circle
      v-for="(run, i) in runs"
      :key="run.id"
      :cx="x(i)"
      :cy="y(run.score)"
      r="4"
      class="fill-sheet stroke-ink"
      stroke-width="2" />
  </svg>
</template>

<script setup lang="ts">
import { MEASURE } from '../../../words/en'
import { scaleLinear } from 'd3-scale'
import { computed } from 'vue'
import { type Chain, compileSheet, type DriveSheet } from '../../../core/sheet'
import { lengthWords } from '../../units'

/** How much longer an old chain is than a new one over the same links, with its interval, against the limit. */
const props = defineProps<{
  sheet: DriveSheet
  chain: Chain
  links: number
  figure: { value: number; sigma: number }
}>()

const [WIDTH, HEIGHT, NINETY] = [300, 92, 1.645]
/** mm: the elongation limit over so many links; null where the sheet has none. */
const limit = computed(() => {
  const found = compileSheet(props.sheet).limit('elongation', props.chain.id)
  return found ? (found.value / 100) * props.links * props.chain.pitch : null
})
const half = computed(() => NINETY * props.figure.sigma)
const x = computed(() => {
  const { value } = props.figure
  const most = Math.max(value + half.value, limit.value ?? 0, 0.5)
  return scaleLinear()
    .domain([Math.min(0, value - half.value), most * 1.1])
    .range([8, WIDTH - 8])
    .clamp(true)
})
</script>

<template>
  <figure class="mt-2">
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      class="w-full text-mark"
      role="img"
      :aria-label="MEASURE.compared(links, limit === null ? '–' : lengthWords(limit, 1))"
      data-testid="compared">
      <text x="8" y="12" class="fill-current">{{ MEASURE.drawn.fresh }}</text>
      <rect :x="8" y="18" :width="Math.max(2, x(0) - 8)" height="8" class="fill-faint" />
      <text x="8" y="44" class="fill-current">{{ MEASURE.drawn.old }}</text>
      <rect :x="8" y="50" :width="Math.max(2, x(figure.value) - 8)" height="12" class="fill-brass" />
      <g class="stroke-ink" stroke-width="2">
        <line :x1="x(figure.value - half)" :x2="x(figure.value + half)" y1="56" y2="56" />
        <line
          v-for="end in [-half, half]"
          :key="end"
          :x1="x(figure.value + end)"
          :x2="x(figure.value + end)"
          y1="51"
          y2="61" />
      </g>
      <template v-if="limit !== null">
        <line :x1="x(limit)" :x2="x(limit)" y1="14" y2="72" class="stroke-renew" stroke-width="2" />
        <text :x="x(limit)" y="86" text-anchor="end" class="fill-renew">
          {{ MEASURE.drawn.limit }} {{ lengthWords(limit, 1) }}
        </text>
      </template>
    </svg>
    <figcaption v-if="limit !== null" class="text-note text-faint">
      {{ MEASURE.compared(links, lengthWords(limit, 1)) }}
    </figcaption>
  </figure>
</template>

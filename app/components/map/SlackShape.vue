<script setup lang="ts">
import { SLACK_SHAPE } from '../../../words/en'
import { computed } from 'vue'
import type { ChainPicture, SlackMap } from '../../../core/drive'
import { lengthWords } from '../../units'
import type { Projection } from '../../../draw/drawing'

/**
 * Where the chain hangs loose once the tensioner lets go: the longest span behind the driver, pushed out as far as it
 * goes.
 */
const props = defineProps<{ picture: ChainPicture; slack: SlackMap; projection: Projection }>()

const span = computed(() => {
  const first = props.picture.run.findIndex((s) => s.shape === 'arc' && s.on === props.slack.gathers.to)
  const straights = props.picture.run.slice(0, first).filter((s) => s.shape === 'straight')
  return straights.reduce((a, b) => (b.links > a.links ? b : a))
})
const curve = computed(() => {
  const { from, to, heading } = span.value
  // Drawn inwards, where no rail stands; named outwards, where no chain runs.
  const inwards = ((heading + (turnsClockwise.value ? -90 : 90)) * Math.PI) / 180
  const reach = 2 * props.slack.sag
  const middle = [
    (from[0] + to[0]) / 2 + reach * Math.cos(inwards),
    (from[1] + to[1]) / 2 + reach * Math.sin(inwards)
  ] as const
  const { x, y } = props.projection
  const out = -14
  return {
    d: `M${x(from[0])} ${y(from[1])}Q${x(middle[0])} ${y(middle[1])} ${x(to[0])} ${y(to[1])}`,
    at: {
      x: x((from[0] + to[0]) / 2) + out * Math.cos(inwards),
      y: y((from[1] + to[1]) / 2) - out * Math.sin(inwards)
    },
    right: Math.cos(inwards) < 0
  }
})
const turnsClockwise = computed(() =>
  props.picture.run.some((s) => s.shape === 'arc' && s.on === props.slack.gathers.to && s.turn < 0)
)
</script>

<template>
  <g data-testid="slack">
    <path :d="curve.d" fill="none" class="stroke-lit" stroke-width="2" stroke-dasharray="6 4" />
    <text
      :x="curve.at.x"
      :y="curve.at.y + 4"
      class="fill-lit"
      font-size="13"
      :text-anchor="curve.right ? 'start' : 'end'"
      >{{ SLACK_SHAPE.slack(lengthWords(slack.slack, 1)) }}</text
    >
  </g>
</template>

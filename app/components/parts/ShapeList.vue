<script setup lang="ts">
import type { Ink, Shape } from '../../../draw/shapes'

/**
 * The shapes of a drawing, for an SVG around them: in the page's ink, or scribed on the blue plate; some may be lit.
 */
const props = defineProps<{ shapes: readonly Shape[]; onPlate?: boolean; lit?: ReadonlySet<number> }>()
const emit = defineEmits<{ touch: [place: number] }>()

const ON_PAPER = {
  fill: { ground: 'fill-sheet', line: 'fill-ink', faint: 'fill-faint', lit: 'fill-brass', limit: 'fill-renew' },
  stroke: {
    ground: 'stroke-sheet',
    line: 'stroke-ink',
    faint: 'stroke-faint',
    lit: 'stroke-brass',
    limit: 'stroke-renew'
  }
} as const satisfies Record<string, Record<Ink, string>>
const ON_PLATE = {
  fill: { ground: 'fill-plate', line: 'fill-scribe', faint: 'fill-hair', lit: 'fill-lit', limit: 'fill-pink' },
  stroke: {
    ground: 'stroke-plate',
    line: 'stroke-scribe',
    faint: 'stroke-hair',
    lit: 'stroke-lit',
    limit: 'stroke-pink'
  }
} as const satisfies Record<string, Record<Ink, string>>
const inks = props.onPlate ? ON_PLATE : ON_PAPER
</script>

<template>
  <template v-for="(shape, i) in shapes" :key="i">
    <text
      v-if="shape.kind === 'text'"
      :x="shape.x"
      :y="shape.y"
      :font-size="shape.size"
      :text-anchor="shape.anchor"
      :class="inks.fill[shape.ink]"
      >{{ shape.text }}</text
    >
    <path
      v-else
      :d="shape.d"
      :data-name="shape.name"
      stroke-linecap="round"
      :stroke-width="shape.width ?? 1"
      :class="[
        shape.fill ? inks.fill[shape.fill] : 'fill-none',
        lit?.has(i) ? 'stroke-lit' : shape.stroke ? inks.stroke[shape.stroke] : '',
        shape.stroke === 'ground' ? 'pointer-events-none' : ''
      ]"
      :transform="shape.at ? `translate(${shape.at.x} ${shape.at.y}) rotate(${shape.at.turn ?? 0})` : undefined"
      @click="emit('touch', i)" />
  </template>
</template>

<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import { computed } from 'vue'
import { asNew, camsOf, chainModel, chainPicture } from '../../../core/drive'
import { compileSheet, type DriveSheet } from '../../../core/sheet'
import type { CamTrace } from '../../../core/trace'
import { fitPictures } from '../../../draw/drawing'

/** A cam's waver round the loop of its chain: a ribbon outside the chain, wide where the chain runs late. */
const props = defineProps<{ sheet: DriveSheet; cam: string; waver: NonNullable<CamTrace['waver']> }>()
const [WIDTH, HEIGHT] = [320, 220]
/** px of the ribbon at its widest. */
const WIDE = 16

const loop = computed(() => {
  const chain = compileSheet(props.sheet).chainAt(props.cam)
  const picture =
    chain &&
    chainPicture(
      props.sheet,
      chain,
      asNew(chainModel(props.sheet, chain)),
      camsOf(props.sheet, chain).map(() => 0)
    )
  if (!picture) return null
  const { x, y } = fitPictures([picture], WIDTH, HEIGHT, 2 * WIDE)
  const pins = picture.pins.map(([a, b]) => [x(a), y(b)] as const)
  const middle = [0, 1].map((axis) => pins.reduce((sum, pin) => sum + pin[axis as 0 | 1], 0) / pins.length)
  const outer = pins.map(([a, b], i) => {
    const [before, after] = [pins[(i + pins.length - 1) % pins.length]!, pins[(i + 1) % pins.length]!]
    const [dx, dy] = [after[0] - before[0], after[1] - before[1]]
    const far = Math.hypot(dx, dy) || 1
    // Outwards is away from the loop's middle.
    const sign = Math.sign(dy * (a - middle[0]!) - dx * (b - middle[1]!)) || 1
    const late = Math.cos((2 * Math.PI * i) / pins.length - (props.waver.phase * Math.PI) / 180)
    const wide = WIDE * (0.5 + 0.5 * late)
    return [a + (sign * wide * dy) / far, b - (sign * wide * dx) / far] as const
  })
  const path = (points: readonly (readonly [number, number])[]) =>
    `M${points.map(([a, b]) => `${a.toFixed(1)} ${b.toFixed(1)}`).join('L')}Z`
  return { chain: path(pins), ribbon: path(outer) + path(pins) }
})
</script>

<template>
  <figure v-if="loop" class="mt-1" data-testid="waver-loop">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" class="w-full bg-plate" role="img" :aria-label="TRACE_PAGE.loop">
      <path :d="loop.ribbon" class="fill-lit/70" fill-rule="evenodd" />
      <path :d="loop.chain" class="fill-none stroke-scribe" stroke-width="2" />
    </svg>
    <figcaption class="text-note text-faint">{{ TRACE_PAGE.loopSays }}</figcaption>
  </figure>
</template>

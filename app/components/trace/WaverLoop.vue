<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import { computed } from 'vue'
import { asNew, camsOf, chainModel, chainPicture } from '../../../core/drive'
import { compileSheet, type DriveSheet } from '../../../core/sheet'
import type { CamTrace } from '../../../core/trace'
import { fitPictures } from '../../../draw/drawing'
import { waverRibbon } from '../../../draw/waver'

/** A cam's waver round the loop of its chain: a ribbon outside the chain, wide where the chain runs late. */
const props = defineProps<{ sheet: DriveSheet; cam: string; waver: NonNullable<CamTrace['waver']>; beside?: boolean }>()
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
  return waverRibbon(
    picture.pins.map(([a, b]) => [x(a), y(b)]),
    props.waver.phase,
    WIDE
  )
})
</script>

<template>
  <figure v-if="loop" class="mt-1" :class="beside ? 'flex items-center gap-3' : ''" data-testid="waver-loop">
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      class="bg-plate"
      :class="beside ? 'w-72 shrink-0' : 'w-full'"
      role="img"
      :aria-label="TRACE_PAGE.loop">
      <path :d="loop.ribbon" class="fill-lit/70" fill-rule="evenodd" />
      <path :d="loop.chain" class="fill-none stroke-scribe" stroke-width="2" />
    </svg>
    <figcaption class="max-w-md text-note">{{ TRACE_PAGE.loopSays }}</figcaption>
  </figure>
</template>

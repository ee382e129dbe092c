<script setup lang="ts">
import { MAP_WAVER } from '../../../words/en'
import { computed } from 'vue'
import type { ChainPicture } from '../../../core/drive'
import { compileSheet } from '../../../core/sheet'
import { tracedCamsOf } from '../../../core/views/traces'
import type { Projection } from '../../../draw/drawing'
import { waverRibbon } from '../../../draw/waver'
import { useOpenJob } from '../../stores/job'
import { fixDigits, partName } from '../../words'

/** On the map: what a kept trace says of the chain's waver at the chosen cam, round its loop. */
const props = defineProps<{ pictures: readonly ChainPicture[]; projection: Projection; cam: string }>()
const job = useOpenJob()
/** px of the ribbon at its widest. */
const WIDE = 18

const shown = computed(() => {
  const sheet = job.job.sheet
  const traced = tracedCamsOf(sheet, job.record, job.acts).find(({ cam }) => cam === props.cam)
  const waver = (traced?.after ?? traced?.before)?.from.waver
  const picture = props.pictures.find(({ chain }) => chain === compileSheet(sheet).chainAt(props.cam)?.id)
  if (waver?.phase === undefined || !picture) return null
  const { x, y } = props.projection
  const pins = picture.pins.map(([a, b]) => [x(a), y(b)] as const)
  return {
    ribbon: waverRibbon(pins, waver.phase, WIDE).ribbon,
    says: MAP_WAVER.says(partName(sheet, props.cam), fixDigits(waver.amplitude, 1), fixDigits(waver.turns, 1))
  }
})
</script>

<template>
  <div v-if="shown" class="pointer-events-none absolute inset-0" data-testid="map-waver">
    <svg class="absolute inset-0 size-full" aria-hidden="true">
      <path :d="shown.ribbon" class="fill-lit/60" fill-rule="evenodd" />
    </svg>
    <p class="absolute inset-x-0 top-1 mx-auto w-fit max-w-[26rem] bg-plate/85 px-2 text-center text-note">
      {{ shown.says }}
    </p>
  </div>
</template>

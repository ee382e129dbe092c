<script setup lang="ts">
import { computed } from 'vue'
import type { ChainPicture } from '../../../core/drive'
import { compileSheet } from '../../../core/sheet'
import { waverReadAt } from '../../../core/views/traces'
import type { Projection } from '../../../draw/drawing'
import { waverRibbon } from '../../../draw/waver'
import { useOpenJob } from '../../stores/job'

/** On the map: what a kept trace says of the chain's waver at the chosen cam, round its loop. */
const props = defineProps<{ pictures: readonly ChainPicture[]; projection: Projection; cam: string }>()
const job = useOpenJob()
/** px of the ribbon at its widest. */
const WIDE = 18

const ribbon = computed(() => {
  const sheet = job.job.sheet
  const waver = waverReadAt(sheet, job.record, job.acts, props.cam)
  const picture = props.pictures.find(({ chain }) => chain === compileSheet(sheet).chainAt(props.cam)?.id)
  if (!waver || !picture) return ''
  const { x, y } = props.projection
  const pins = picture.pins.map(([a, b]) => [x(a), y(b)] as const)
  return waverRibbon(pins, waver.phase, WIDE).ribbon
})
</script>

<template>
  <svg v-if="ribbon" class="pointer-events-none absolute inset-0 size-full" aria-hidden="true" data-testid="map-waver">
    <path :d="ribbon" class="fill-lit/60" fill-rule="evenodd" />
  </svg>
</template>

<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Assessment } from '../../../core/assess'
import { chainPicture } from '../../../core/drive/picture'
import { touchingRails, drivenSprockets } from '../../../core/drive/elements'
import type { StandingReading } from '../../../core/job/acts'
import type { Corrections } from '../../../core/job/types'
import type { DriveSheet } from '../../../core/sheet/types'
import ChainLinks from './ChainLinks.vue'
import { fitted, polar, spread } from './drawing'
import PartTag from './PartTag.vue'
import { partLabels, type PartLabel } from './partLabels'
import RailShape from './RailShape.vue'
import RunCount from './RunCount.vue'
import SprocketShape from './SprocketShape.vue'
import TensionerShape from './TensionerShape.vue'

/** The drive as computed from its sheet, standing as the readings imply; every part can be touched. */
const props = defineProps<{ sheet: DriveSheet; corrections: Corrections | null; assessment: Assessment; readings: readonly StandingReading[]; chosen?: string; chosenRun?: string; narrow?: boolean }>()
const emit = defineEmits<{ part: [id: string]; run: [chain: string, from: string, to: string] }>()

const SIDE = computed(() => (props.narrow ? 116 : 184))
const TAG = 50
const plate = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(plate, { width: 800, height: 560 })

const pictures = computed(() => props.sheet.chains.flatMap((chain) => {
  const { chains, rails, tensioners, cams } = props.assessment
  const tensioner = props.sheet.tensioners.find((t) => t.chain === chain.id)
  const state = {
    elongation: chains[chain.id]!.elongation.mean,
    wear: touchingRails(props.sheet, chain).map((id) => rails[id]!.wear.mean),
    padWear: tensioner ? tensioners[tensioner.id]!.padWear.mean : 0
  }
  const lags = drivenSprockets(props.sheet, chain).map((id) => cams[id]!.lag.mean)
  const picture = chainPicture(props.sheet, chain, state, lags, props.corrections ?? {})
  return picture ? [{ ...picture, pitch: chain.pitch }] : []
}))
const projection = computed(() => fitted(pictures.value, width.value, height.value, SIDE.value + 24))
const labels = computed(() => partLabels(props.sheet, props.assessment, pictures.value))

/** Labels left and right of the drive, each beside what it points at. */
const tags = computed(() => {
  const { x, y } = projection.value
  const placed = labels.value.map((label) => ({ label, px: label.at ? x(label.at[0]) : width.value, py: label.at ? y(label.at[1]) : 0 }))
  const half = Math.ceil(placed.length / 2)
  const byX = [...placed].sort((a, b) => a.px - b.px)
  const sides = [byX.slice(0, half), byX.slice(half)]
  return sides.flatMap((side, right) => {
    const tops = spread(side.map(({ py }) => py - TAG / 2), TAG + 6, 10, height.value - TAG - 10)
    return side.map((tag, i) => ({ ...tag, right: right === 1, top: tops[i]! }))
  })
})
const turning = computed(() => {
  const driver = pictures.value[0]?.sprockets[0]
  if (!driver) return null
  const r = driver.radius * projection.value.scale * 0.68
  const clockwise = props.sheet.rotation === 'clockwise'
  const [from, to] = clockwise ? [150, 35] : [30, 145]
  const [a, b] = [polar(from, r), polar(to, r)]
  const along = (to * Math.PI) / 180 + (clockwise ? -Math.PI / 2 : Math.PI / 2)
  const tip = (back: number) => `${b.x - 7 * Math.cos(along + back)} ${b.y + 7 * Math.sin(along + back)}`
  return { at: `translate(${projection.value.x(driver.centre[0])} ${projection.value.y(driver.centre[1])})`, d: `M${a.x} ${a.y}A${r} ${r} 0 0 ${clockwise ? 1 : 0} ${b.x} ${b.y}M${tip(0.5)}L${b.x} ${b.y}L${tip(-0.5)}` }
})
const limitOf = (id: string) => props.sheet.tensioners.find((t) => t.id === id)?.limit?.value ?? null
const countOf = (chain: string, from: string, to: string) => props.readings.findLast((r) => r.kind === 'linkCount' && r.chain === chain && r.from === from && r.to === to)?.value ?? null
const summary = (label: PartLabel) => `${label.name}: ${label.value}`
</script>

<template>
  <div ref="plate" class="on-plate relative h-full w-full overflow-hidden bg-plate text-scribe" role="group" :aria-label="`Drive map of ${sheet.name}, turning ${sheet.rotation} seen from the front`">
    <svg v-if="pictures.length" class="absolute inset-0" :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`" aria-hidden="true" data-testid="drive-map">
      <g v-for="picture in pictures" :key="picture.chain">
        <RailShape v-for="rail in picture.rails" :key="rail.id" :rail="rail" :pitch="picture.pitch" :projection="projection" :chosen="chosen === rail.id" @click="emit('part', rail.id)" />
        <TensionerShape v-if="picture.tensioner" :tensioner="picture.tensioner" :limit="limitOf(picture.tensioner.id)" :projection="projection" :chosen="chosen === picture.tensioner.id" @click="emit('part', picture.tensioner.id)" />
        <SprocketShape v-for="sprocket in picture.sprockets" :key="sprocket.id" :sprocket="sprocket" :pitch="picture.pitch" :projection="projection" :chosen="chosen === sprocket.id" @click="emit('part', sprocket.id)" />
        <ChainLinks :picture="picture" :pitch="picture.pitch" :projection="projection" :chosen="chosen === picture.chain" @click="emit('part', picture.chain)" />
      </g>
      <path v-if="turning" :transform="turning.at" :d="turning.d" fill="none" class="stroke-scribe" stroke-width="1.800" />
      <template v-for="tag in tags" :key="tag.label.part">
        <path v-if="tag.label.at" :d="`M${tag.right ? width - SIDE - 2 : SIDE + 2} ${tag.top + TAG / 2}L${tag.px} ${tag.py}`" class="stroke-hair" stroke-width="1" fill="none" />
        <circle v-if="tag.label.at" :cx="tag.px" :cy="tag.py" r="2.500" class="fill-scribe" />
      </template>
    </svg>
    <p v-else class="absolute inset-x-0 top-1/3 mx-auto max-w-72 text-center">This sheet is counted: it has no coordinates to draw. Choose a part at either side; the figures work all the same.</p>
    <template v-for="picture in narrow ? [] : pictures" :key="picture.chain">
      <RunCount
        v-for="run in picture.runs" :key="`${run.from}>${run.to}`" :run="run" :projection="projection" :read="countOf(picture.chain, run.from, run.to)"
        :names="[sheet.sprockets.find((s) => s.id === run.from)!.name, sheet.sprockets.find((s) => s.id === run.to)!.name]"
        :chosen="chosenRun === `${picture.chain}:${run.from}:${run.to}`" @choose="emit('run', picture.chain, run.from, run.to)"
      />
    </template>
    <PartTag v-for="tag in tags" :key="tag.label.part" :label="tag.label" :right="tag.right" :top="tag.top" :width="SIDE" :brief="narrow" :chosen="chosen === tag.label.part" :aria-label="summary(tag.label)" @choose="emit('part', tag.label.part)" />
  </div>
</template>

<script setup lang="ts">
import { SHEET_MAP } from '../../../words/en'
import { useElementSize } from '@vueuse/core'
import { computed, ref, shallowRef, watchEffect } from 'vue'
import { chainPicture, type ChainPicture, camsOf, touchingRails } from '../../../core/drive'
import { compileSheet, type DriveSheet } from '../../../core/sheet'
import ChainLinks from '../map/ChainLinks.vue'
import { fitPictures, runPlaces } from '../../../draw/drawing'
import RailShape from '../map/RailShape.vue'
import RunCount from '../map/RunCount.vue'
import RunTies from '../map/RunTies.vue'
import SprocketShape from '../map/SprocketShape.vue'
import TensionerShape from '../map/TensionerShape.vue'

/** A sheet's drive as new, as far as it can be drawn. While it is unsound the last drawing stays, and says so. */
const props = defineProps<{ sheet: DriveSheet | null }>()

const plate = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(plate, { width: 420, height: 420 })
const drawn = shallowRef<{ sheet: DriveSheet; pictures: (ChainPicture & { pitch: number })[] } | null>(null)
watchEffect(() => {
  const { sheet } = props
  if (sheet) drawn.value = { sheet, pictures: sheet.chains.flatMap((chain) => asNew(sheet, chain)) }
})

function asNew(sheet: DriveSheet, chain: DriveSheet['chains'][number]) {
  const picture = chainPicture(
    sheet,
    chain,
    { elongation: 0, wear: touchingRails(sheet, chain).map(() => 0), padWear: 0 },
    camsOf(sheet, chain).map(() => 0)
  )
  return picture ? [{ ...picture, pitch: chain.pitch }] : []
}

const pictures = computed(() => (width.value > 120 && height.value > 120 ? (drawn.value?.pictures ?? []) : []))
const projection = computed(() => fitPictures(pictures.value, width.value, height.value, 44))
const places = computed(() => runPlaces(pictures.value, projection.value))
const drawnParts = computed(() => drawn.value && compileSheet(drawn.value.sheet))
const nameOf = (id: string) => drawnParts.value?.sprockets.get(id)?.name ?? id
const limitOf = (id: string) => drawnParts.value?.tensioners.get(id)?.limit?.value ?? null
</script>

<template>
  <div
    ref="plate"
    class="on-plate relative h-full w-full overflow-hidden bg-plate text-scribe [contain:strict]"
    role="group"
    :aria-label="drawn ? SHEET_MAP.asNew(drawn.sheet.name) : SHEET_MAP.theDrive">
    <svg
      v-if="pictures.length"
      class="absolute inset-0"
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      aria-hidden="true"
      data-testid="sheet-map">
      <g v-for="(picture, i) in pictures" :key="picture.chain" :opacity="sheet ? 1 : 0.45">
        <RailShape
          v-for="rail in picture.rails"
          :key="rail.id"
          :rail="rail"
          :pitch="picture.pitch"
          :projection="projection"
          :chosen="false" />
        <TensionerShape
          v-if="picture.tensioner"
          :tensioner="picture.tensioner"
          :limit="limitOf(picture.tensioner.id)"
          :projection="projection"
          :chosen="false" />
        <SprocketShape
          v-for="sprocket in picture.sprockets"
          :key="sprocket.id"
          :sprocket="sprocket"
          :pitch="picture.pitch"
          :projection="projection"
          :chosen="false" />
        <ChainLinks
          :picture="picture"
          :pitch="picture.pitch"
          :projection="projection"
          :behind="i > 0"
          :chosen="false" />
      </g>
      <RunTies :places="places.values()" />
    </svg>
    <template v-for="picture in pictures" :key="picture.chain">
      <RunCount
        v-for="run in picture.runs"
        :key="`${run.from}>${run.to}`"
        :run="run"
        :at="places.get(run)!"
        :read="null"
        :names="[nameOf(run.from), nameOf(run.to)]"
        :chosen="false"
        class="pointer-events-none"
        tabindex="-1" />
    </template>
    <p v-if="!pictures.length" class="absolute inset-x-6 top-1/3 text-center">
      {{ drawn ? SHEET_MAP.countedWithoutCoordinatesNothingTo : SHEET_MAP.theDriveIsDrawnAs }}
    </p>
    <p v-else-if="!sheet" class="absolute inset-x-2 bottom-2 bg-plate text-center text-note">
      {{ SHEET_MAP.asItWasBeforeThe }}
    </p>
  </div>
</template>

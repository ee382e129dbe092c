<script setup lang="ts">
import { known } from '../../../words/spoken'
import { COMMON, DRIVE_MAP } from '../../../words/en'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { NearJump } from '../../../core/estimate'
import type { Assessment } from '../../../core/paths'
import { chainPicture, type Corrections, camsOf, slackMap, touchingRails } from '../../../core/drive'
import type { StandingReading } from '../../../core/record'
import { bankOf, banksOf, compileSheet, type DriveSheet } from '../../../core/sheet'
import ChainLinks from './ChainLinks.vue'
import { fitPictures, partPoints, polar, runPlaces, widthOf } from '../../../draw/drawing'
import { endsOn, placeLabels, type Side } from '../../../draw/boundary'
import PartTag from './PartTag.vue'
import { lengthWords } from '../../units'
import { CALL_WORDS, partName } from '../../words'
import { partLabels, type PartLabel } from './partLabels'
import RailShape from './RailShape.vue'
import RunCount from './RunCount.vue'
import RunTies from './RunTies.vue'
import SprocketShape from './SprocketShape.vue'
import TensionerShape from './TensionerShape.vue'
import { later } from '../../later'

const FigureTable = later(() => import('../parts/FigureTable.vue'))
const SlackShape = later(() => import('./SlackShape.vue'))

/** The drive as computed from its sheet, standing as the readings imply; every part can be touched. */
const props = defineProps<{
  sheet: DriveSheet
  corrections: Corrections | null
  assessment: Assessment
  readings: readonly StandingReading[]
  chosen?: string
  chosenRun?: string
  /** Calls beside it and no words, for a plate beside a list of them. */
  narrow?: boolean
  /** Nothing beside it. */
  bare?: boolean
  /** How near its chains are to jumping, where that is known. */
  near?: readonly NearJump[]
}>()
const emit = defineEmits<{ part: [id: string]; run: [chain: string, from: string, to: string] }>()

const TAG = 50
/** Of a label that has to be small, and gaps between them. */
const [LEAST_TAG, GAP, LEAST_GAP, MARGIN] = [26, 6, 2, 8]
/** Room below the drive for what changes the picture. */
const FOOT = 34
const plate = ref<HTMLElement | null>(null)
// Of no size until it is measured: it is drawn once, as it stands, and not before for another plate.
const { width, height } = useElementSize(plate, { width: 0, height: 0 })

/** How many times the wear is drawn, to see why the readings come out as they do; jumps are drawn as they are. */
const times = ref(1)
const asTable = ref(false)
/** Is the chain drawn as it hangs with the tensioner let go? */
const letGo = ref(false)
/** px of a column of labels at least, and of one beside a drive that leaves it room. */
const [COLUMN, WIDE_COLUMN, AIR] = [172, 236, 18]
const LEAST_SIDE = computed(() => (props.bare ? 0 : props.narrow ? 52 : width.value < 620 ? 128 : COLUMN))

/** A plate that is hidden, or hardly there, draws nothing. */
const drawable = computed(() => width.value > 240 && height.value > 160)
const pictures = computed(() =>
  !drawable.value
    ? []
    : props.sheet.chains.flatMap((chain) => {
        const { chains, rails, tensioners, cams } = props.assessment
        const tensioner = compileSheet(props.sheet).tensionerOf(chain.id)
        const state = {
          elongation: times.value * chains[chain.id]!.elongation.mean,
          wear: touchingRails(props.sheet, chain).map((id) => times.value * rails[id]!.wear.mean),
          padWear: tensioner ? times.value * tensioners[tensioner.id]!.padWear.mean : 0
        }
        const lags = camsOf(props.sheet, chain).map((id) => cams[id]!.lag.mean + (times.value - 1) * cams[id]!.wearLag)
        const picture = chainPicture(props.sheet, chain, state, lags, props.corrections ?? {})
        return picture
          ? [{ ...picture, pitch: chain.pitch, slack: slackMap(props.sheet, chain, state, props.corrections ?? {}) }]
          : []
      })
)
const room = computed(() => height.value - (props.narrow || props.bare ? 0 : FOOT))
const projection = computed(() => fitPictures(pictures.value, width.value, room.value, LEAST_SIDE.value + AIR))
const SIDE = computed(() => {
  if (LEAST_SIDE.value < COLUMN) return LEAST_SIDE.value
  const beside = (width.value - projection.value.scale * widthOf(pictures.value)) / 2 - 4 * AIR
  return Math.max(COLUMN, Math.min(WIDE_COLUMN, beside))
})
const labels = computed(() => partLabels(props.sheet, props.assessment, pictures.value, props.near))

/** The side that each bank stands on, where the drive has banks. */
const bankSides = computed(() => {
  const banks = banksOf(props.sheet)
  if (banks.length !== 2) return null
  const middle = (bank: number) => {
    const places = pictures.value
      .flatMap(({ sprockets }) => sprockets)
      .filter(({ id }) => compileSheet(props.sheet).sprockets.get(id)?.bank === bank)
      .map(({ centre }) => centre[0])
    return places.reduce((sum, at) => sum + at / places.length, 0)
  }
  const [left, right] = [...banks].sort((a, b) => middle(a) - middle(b))
  return new Map<number, Side>([
    [left!, 'left'],
    [right!, 'right']
  ])
})

/** Height of a label, less where there are many of them. */
const tagSize = computed(() => {
  const most = Math.ceil(labels.value.length / 2)
  const high = (SIDE.value > COLUMN ? room.value : height.value) - 2 * MARGIN
  return most * (TAG + GAP) - GAP <= high
    ? { tag: TAG, gap: GAP }
    : { tag: Math.max(LEAST_TAG, Math.floor(high / most) - LEAST_GAP), gap: LEAST_GAP }
})
/** Labels left and right of the drive: no leader crosses another, and each bank's stand on its side. */
const tags = computed(() => {
  const { x, y } = projection.value
  const ends = endsOn(pictures.value, projection.value)
  const solid = new Map(pictures.value.flatMap((picture) => [...partPoints(picture, projection.value)]))
  const placed = placeLabels(
    (props.bare || !drawable.value ? [] : labels.value).map(({ part, at }) => ({
      part,
      anchors: at ? [{ x: x(at[0]), y: y(at[1]) }, ...(ends.get(part) ?? [])] : [],
      side: bankSides.value?.get(bankOf(props.sheet, part) ?? NaN) ?? null
    })),
    {
      width: width.value,
      // Wide columns reach over what stands below the drive.
      height: SIDE.value > COLUMN ? room.value : height.value,
      column: SIDE.value,
      ...tagSize.value,
      margin: MARGIN
    },
    solid,
    new Set(props.sheet.chains.map(({ id }) => id))
  )
  return placed.map((one) => ({ ...one, label: labels.value.find(({ part }) => part === one.part)! }))
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
  return {
    at: `translate(${projection.value.x(driver.centre[0])} ${projection.value.y(driver.centre[1])})`,
    d: `M${a.x} ${a.y}A${r} ${r} 0 0 ${clockwise ? 1 : 0} ${b.x} ${b.y}M${tip(0.5)}L${b.x} ${b.y}L${tip(-0.5)}`
  }
})
const countPlaces = computed(() => runPlaces(pictures.value, projection.value))
const limitOf = (id: string) => compileSheet(props.sheet).tensioners.get(id)?.limit?.value ?? null
const countOf = (chain: string, from: string, to: string) =>
  props.readings.findLast((r) => r.kind === 'linkCount' && r.chain === chain && r.from === from && r.to === to)
    ?.value ?? null
const summary = (label: PartLabel) => `${label.name}: ${label.value}`

const slacks = computed(() => pictures.value.flatMap(({ chain, slack }) => (slack ? [{ chain, slack }] : [])))
</script>

<template>
  <div
    ref="plate"
    class="on-plate relative h-full w-full overflow-hidden bg-plate text-scribe [contain:strict]"
    role="group"
    :aria-label="DRIVE_MAP.driveMapOfTurningSeen(sheet.name, known(sheet.rotation))">
    <svg
      v-if="pictures.length"
      class="absolute inset-0"
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      aria-hidden="true"
      data-testid="drive-map">
      <g v-for="(picture, i) in pictures" :key="picture.chain">
        <RailShape
          v-for="rail in picture.rails"
          :key="rail.id"
          :rail="rail"
          :pitch="picture.pitch"
          :projection="projection"
          :chosen="chosen === rail.id"
          @click="emit('part', rail.id)" />
        <TensionerShape
          v-if="picture.tensioner"
          :tensioner="picture.tensioner"
          :limit="limitOf(picture.tensioner.id)"
          :projection="projection"
          :chosen="chosen === picture.tensioner.id"
          @click="emit('part', picture.tensioner.id)" />
        <SprocketShape
          v-for="sprocket in picture.sprockets"
          :key="sprocket.id"
          :sprocket="sprocket"
          :pitch="picture.pitch"
          :projection="projection"
          :chosen="chosen === sprocket.id"
          @click="emit('part', sprocket.id)" />
        <ChainLinks
          :picture="picture"
          :pitch="picture.pitch"
          :projection="projection"
          :behind="i > 0"
          :chosen="chosen === picture.chain"
          @click="emit('part', picture.chain)" />
        <SlackShape v-if="letGo && picture.slack" :picture="picture" :slack="picture.slack" :projection="projection" />
      </g>
      <path
        v-if="turning"
        :transform="turning.at"
        :d="turning.d"
        fill="none"
        class="stroke-scribe"
        stroke-width="1.800" />
      <RunTies v-if="!narrow && !bare" :places="countPlaces.values()" />
      <template v-for="tag in tags" :key="tag.label.part">
        <path
          v-if="tag.to"
          :d="`M${tag.from.x} ${tag.from.y}L${tag.to.x} ${tag.to.y}`"
          class="stroke-hair"
          stroke-width="1"
          fill="none" />
        <circle v-if="tag.to" :cx="tag.to.x" :cy="tag.to.y" r="2.500" class="fill-scribe" />
      </template>
    </svg>
    <p v-else-if="drawable" class="absolute inset-x-0 top-1/3 mx-auto max-w-72 text-center">
      {{ DRIVE_MAP.thisSheetIsCountedIt }}
    </p>
    <slot v-if="pictures.length" :pictures="pictures" :projection="projection" />
    <template v-for="picture in narrow || bare ? [] : pictures" :key="picture.chain">
      <RunCount
        v-for="run in picture.runs"
        :key="`${run.from}>${run.to}`"
        :run="run"
        :at="countPlaces.get(run)!"
        :read="countOf(picture.chain, run.from, run.to)"
        :names="[partName(sheet, run.from), partName(sheet, run.to)]"
        :chosen="chosenRun === `${picture.chain}:${run.from}:${run.to}`"
        @choose="emit('run', picture.chain, run.from, run.to)" />
    </template>
    <div
      v-if="!narrow && !bare && pictures.length"
      class="no-print absolute bottom-1 left-1/2 flex -translate-x-1/2 items-center gap-2 bg-plate/80 px-2 text-note">
      <label class="flex items-center gap-2 whitespace-nowrap"
        >{{ DRIVE_MAP.wearDrawn
        }}<input
          v-model.number="times"
          type="range"
          min="1"
          max="6"
          step="1"
          class="min-h-11 w-24 accent-lit"
          data-testid="exaggerate" /><span class="figure w-8">×{{ times }}</span></label
      >
      <button
        type="button"
        class="min-h-11 px-2 whitespace-nowrap underline decoration-lit underline-offset-2"
        :class="letGo ? 'text-lit' : ''"
        :aria-pressed="letGo"
        data-testid="let-go"
        @click="letGo = !letGo">
        {{ DRIVE_MAP.tensionerLetGo }}
      </button>
      <button
        type="button"
        class="min-h-11 px-2 underline decoration-lit underline-offset-2"
        :aria-pressed="asTable"
        data-testid="map-table"
        @click="asTable = !asTable">
        {{ DRIVE_MAP.table }}
      </button>
    </div>
    <div v-if="asTable" class="absolute inset-0 z-10 overflow-auto bg-plate p-4" data-testid="map-figures">
      <FigureTable
        :caption="DRIVE_MAP.theDriveAsFigures"
        shown
        :heads="[COMMON.part, DRIVE_MAP.standsAt, DRIVE_MAP.call]"
        on-plate>
        <tr v-for="label in labels" :key="label.part">
          <td>
            <button
              type="button"
              class="min-h-11 underline decoration-lit underline-offset-2"
              @click="emit('part', label.part)">
              {{ label.name }}
            </button>
          </td>
          <td class="figure font-normal">{{ label.value }}</td>
          <td>{{ label.call ? CALL_WORDS[label.call] : '' }}</td>
        </tr>
        <tr v-for="{ chain, slack } in slacks" :key="`slack-${chain}`">
          <td>
            {{
              DRIVE_MAP.slackWithTheTensionerLet(partName(sheet, slack.gathers.from), partName(sheet, slack.gathers.to))
            }}
          </td>
          <td class="figure font-normal">
            {{ DRIVE_MAP.atTheMiddleOfThe(lengthWords(slack.slack, 1), lengthWords(slack.sag, 0)) }}
          </td>
          <td />
        </tr>
        <template v-for="picture in pictures" :key="picture.chain"
          ><tr v-for="run in picture.runs" :key="`${run.from}>${run.to}`">
            <td>{{ COMMON.to(partName(sheet, run.from), partName(sheet, run.to)) }}</td>
            <td class="figure font-normal">
              {{ DRIVE_MAP.links(run.links, countOf(picture.chain, run.from, run.to)) }}
            </td>
            <td /></tr
        ></template>
      </FigureTable>
      <button type="button" class="mt-2 min-h-11 underline decoration-lit underline-offset-2" @click="asTable = false">
        {{ DRIVE_MAP.backToTheMap }}
      </button>
    </div>
    <PartTag
      v-for="tag in tags"
      :key="tag.label.part"
      :label="tag.label"
      :right="tag.side === 'right'"
      :top="tag.top"
      :width="SIDE"
      :height="tagSize.tag"
      :brief="narrow"
      :chosen="chosen === tag.label.part"
      :aria-label="summary(tag.label)"
      @choose="emit('part', tag.label.part)" />
  </div>
</template>

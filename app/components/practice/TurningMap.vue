<script setup lang="ts">
import { TURNING_MAP } from '../../../words/en'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { turn180, turn360 } from '../../../core/math'
import { type Slackness, trailBehind, turningOf } from '../../../core/drive'
import { inspectionsOf, type PracticeCase, TAKEN_UP } from '../../../core/views/practice'
import { fitPictures } from '../../../draw/drawing'
import { truePicture } from '../../../draw/practice/links'
import { useOpenPractice } from '../../stores/practice'
import RailShape from '../map/RailShape.vue'
import TensionerShape from '../map/TensionerShape.vue'
import TurnedChain from './TurnedChain.vue'
import TurnedSprocket from './TurnedSprocket.vue'
import { compileSheet } from '../../../core/sheet'

/** The engine on the stand: what covers are off shows, and moves as it would when the crank is turned. */
const props = defineProps<{ engine: PracticeCase; done: ReadonlySet<string>; turnedForward: boolean }>()
/** Asked for here, so that a turn draws nothing else of the page anew. */
const practice = useOpenPractice()

const plate = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(plate, { width: 560, height: 560 })

const chains = computed(() =>
  props.engine.drive.chains.map((chain) => {
    const picture = truePicture(props.engine, chain)
    return {
      chain,
      picture,
      turned: turningOf(props.engine.drive, chain, picture),
      strand: strandOf(chain.path.filter((id) => props.engine.drive.sprockets.some((s) => s.id === id)))
    }
  })
)
const projection = computed(() =>
  fitPictures(
    chains.value.map(({ picture }) => picture),
    width.value,
    height.value,
    60
  )
)
const open = computed(() => {
  const reached = (kind: string) =>
    inspectionsOf(props.engine.drive)
      .filter((one) => one.kind === kind)
      .some(({ operations }) => operations.every((operation) => props.done.has(operation)))
  return { cams: reached('marks'), drive: reached('count') }
})
/** crank degrees of kick-back that turning forward has not taken up. */
const kicked = computed(() =>
  props.turnedForward
    ? 0
    : props.engine.truth.kickBack * Math.max(0, 1 - Math.max(0, practice.crank - props.engine.start) / TAKEN_UP)
)
const moved = computed(() =>
  chains.value.map(({ turned, strand }) =>
    turned(practice.crank, strand && kicked.value > 0 ? { ...strand, sag: SAG * kicked.value } : undefined)
  )
)

/** mm of sag that a degree of kick-back makes. */
const SAG = 1.6

/** The strand between the first two driven sprockets, where kick-back shows. */
function strandOf([, from, to]: readonly string[]): Slackness | null {
  return from && to ? { from, to, sag: 0 } : null
}

/**
 * Degrees that a sprocket has turned on the page, clockwise; a cam that kicked back stands that much early, a loose one
 * trails.
 */
function turnOf(place: number, id: string): number {
  const { drive, truth } = props.engine
  const angle = moved.value[place]!.angles[id] ?? 0
  const phaser = compileSheet(drive).phaserOn(id)
  const loose =
    phaser && truth.findings.some((f) => f.target === phaser.id && f.finding === 'snaps-back')
      ? (truth.play?.[phaser.id] ?? 0) * trailBehind(angle, 4)
      : 0
  const sense = drive.rotation === 'clockwise' ? 1 : -1
  const driven = drive.chains[place]!.driver !== id
  return -angle + (driven ? (sense * (kicked.value - loose)) / 2 : 0)
}

const covered = computed(() =>
  open.value.drive ? '' : open.value.cams ? TURNING_MAP.frontCoverOnTheCams : TURNING_MAP.coversOnOnlyTheCranks
)
const label = computed(() => TURNING_MAP.theEngineOnTheStand(covered.value))
/** Told once it is at rest. */
const rest = computed(() => TURNING_MAP.crankPastItsMark(Math.round(turn360(practice.stand.crank))))
const outline = (points: readonly (readonly [number, number])[]) =>
  `${points.map(([px, py], i) => `${i === 0 ? 'M' : 'L'}${projection.value.x(px).toFixed(1)} ${projection.value.y(py).toFixed(1)}`).join('')}Z`
const isSeen = (place: number, id: string) =>
  open.value.drive || (open.value.cams && props.engine.drive.chains[place]!.driver !== id)
const pulley = computed(() => {
  const { chain, picture } = chains.value[0]!
  const driver = picture.sprockets.find(({ id }) => id === chain.driver) ?? picture.sprockets[0]!
  const { centre, radius, mark } = driver
  const r = 1.7 * radius * projection.value.scale
  return { x: projection.value.x(centre[0]), y: projection.value.y(centre[1]), r, at: -(mark?.should ?? 90) }
})

/** The angle of a pointer about the crank, degrees clockwise. */
function angleOf({ clientX, clientY }: PointerEvent): number {
  const box = plate.value?.getBoundingClientRect() ?? { top: 0, left: 0 }
  return (Math.atan2(clientY - box.top - pulley.value.y, clientX - box.left - pulley.value.x) * 180) / Math.PI
}

let dragged: number | null = null

function grab(event: PointerEvent) {
  dragged = angleOf(event)
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}

/** A hand on the crank turns it in its running direction only: drawn back, it slips. */
function drag(event: PointerEvent) {
  if (dragged === null) return
  const angle = angleOf(event)
  const by = turn180(angle - dragged) * (props.engine.drive.rotation === 'clockwise' ? 1 : -1)
  dragged = angle
  if (by > 0) practice.turning += by
}

function release() {
  if (dragged === null) return
  dragged = null
  practice.letGo()
}
</script>

<template>
  <div ref="plate" class="on-plate relative min-h-0 flex-1 bg-plate">
    <svg
      v-if="width > 200 && height > 160"
      :viewBox="`0 0 ${width} ${height}`"
      class="absolute inset-0 size-full"
      role="img"
      :aria-label="label"
      data-testid="turning-map">
      <template v-for="({ chain, picture }, place) in chains" :key="chain.id">
        <path
          v-if="!open.drive"
          :d="outline(picture.pins)"
          class="fill-plate stroke-hair"
          stroke-width="58"
          stroke-linejoin="round" />
        <path
          v-if="!open.drive"
          :d="outline(picture.pins)"
          class="fill-plate stroke-plate"
          stroke-width="54"
          stroke-linejoin="round" />
        <template v-if="open.drive">
          <RailShape
            v-for="rail in picture.rails"
            :key="rail.id"
            :rail="rail"
            :pitch="chain.pitch"
            :projection="projection"
            :chosen="false" />
          <TensionerShape
            v-if="picture.tensioner"
            :tensioner="picture.tensioner"
            :limit="null"
            :projection="projection"
            :chosen="false"
            plain />
        </template>
        <template v-for="sprocket in picture.sprockets" :key="sprocket.id">
          <TurnedSprocket
            v-if="isSeen(place, sprocket.id)"
            :sprocket="sprocket"
            :pitch="chain.pitch"
            :projection="projection"
            :turn="turnOf(place, sprocket.id)" />
        </template>
        <TurnedChain
          v-if="open.drive"
          :pins="moved[place]!.pins"
          :coloured="picture.colouredLinks"
          :pitch="chain.pitch"
          :projection="projection" />
      </template>
      <g
        :transform="`translate(${pulley.x} ${pulley.y})`"
        class="cursor-grab touch-none"
        data-testid="crank"
        @pointerdown.prevent="grab"
        @pointermove="drag"
        @pointerup="release"
        @pointercancel="release">
        <circle :r="Math.max(44, pulley.r)" class="fill-transparent" />
        <circle v-if="!open.drive" :r="pulley.r" class="fill-plate stroke-scribe" stroke-width="1.400" />
        <g
          :transform="`rotate(${pulley.at - (moved[0]!.angles[chains[0]!.chain.driver] ?? 0)})`"
          data-testid="crank-mark">
          <line
            :x1="pulley.r * 0.4"
            :x2="pulley.r - 2"
            y1="0"
            y2="0"
            class="stroke-lit"
            stroke-width="4"
            stroke-linecap="round" />
        </g>
        <g :transform="`rotate(${pulley.at})`"><path :d="`M${pulley.r + 4} 0l14 -6v12Z`" class="fill-scribe" /></g>
      </g>
    </svg>
    <p class="sr-only" role="status">{{ rest }}</p>
    <p v-if="covered" class="absolute inset-x-0 top-2 px-3 text-center text-note text-scribe">{{ covered }}</p>
  </div>
</template>

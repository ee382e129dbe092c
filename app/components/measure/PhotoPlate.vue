<script setup lang="ts">
import { MEASURE } from '../../../words/en'
import { clamp } from 'lodash-es'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { MagnifyingGlassMinusIcon, MagnifyingGlassPlusIcon } from '@heroicons/vue/20/solid'
import type { Point } from '../../../core/math'
import type { PlateLine, Tap } from './marks'

/**
 * A photo to tap on: points are put, dragged under a magnifier, and nudged by the arrow keys; the picture is moved and
 * brought closer.
 */
const props = defineProps<{
  src: string
  size: readonly [number, number]
  taps: readonly Tap[]
  /** The point that the next tap puts. */
  chosen: string
  /** Corners of the card, where it was found. */
  card: readonly (readonly Point[])[]
  lines: readonly PlateLine[]
  alt: string
}>()
const emit = defineEmits<{ put: [id: string, at: Point]; choose: [id: string] }>()

const frame = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(frame, { width: 800, height: 600 })
const room = computed(() => [width.value, height.value] as const)
const close = ref(1)
const shift = ref<Point>([0, 0])
/** The point under the finger, or the picture being moved. */
const held = ref<{ id: string | null; on: boolean; from: Point; shift: Point; moved: boolean } | null>(null)

const fit = computed(() => Math.min(room.value[0] / props.size[0], room.value[1] / props.size[1]))
const scale = computed(() => fit.value * close.value)
const left = computed(() => (room.value[0] - props.size[0] * scale.value) / 2 + shift.value[0])
const top = computed(() => (room.value[1] - props.size[1] * scale.value) / 2 + shift.value[1])
const toScreen = ([x, y]: Point): Point => [left.value + x * scale.value, top.value + y * scale.value]
const toPicture = ([x, y]: Point): Point => [(x - left.value) / scale.value, (y - top.value) / scale.value]

/** px on the screen within which a point is taken hold of. */
const REACH = 26
/** px within which one of many points is meant, whatever else is to be put. */
const ON = 9
const where = (event: { clientX: number; clientY: number }): Point => {
  const box = frame.value!.getBoundingClientRect()
  return [event.clientX - box.left, event.clientY - box.top]
}

function press(event: PointerEvent) {
  if (event.button !== 0) return
  frame.value?.setPointerCapture(event.pointerId)
  const at = where(event)
  const near = props.taps
    .flatMap(({ id, at: point, small }) => {
      if (!point) return []
      const [x, y] = toScreen(point)
      return [{ id, small, far: Math.hypot(x - at[0], y - at[1]) }]
    })
    .sort((a, b) => a.far - b.far)[0]
  const id = near && near.far < REACH ? near.id : null
  held.value = { id, on: near?.small === true && near.far < ON, from: at, shift: shift.value, moved: false }
}

function drag(event: PointerEvent) {
  const now = held.value
  if (!now) return
  const at = where(event)
  const moved = now.moved || Math.hypot(at[0] - now.from[0], at[1] - now.from[1]) > 6
  held.value = { ...now, moved }
  if (!moved) return
  if (!now.moved && now.id) emit('choose', now.id)
  if (now.id) emit('put', now.id, within(toPicture(at)))
  else shift.value = [now.shift[0] + at[0] - now.from[0], now.shift[1] + at[1] - now.from[1]]
}

function release(event: PointerEvent) {
  const now = held.value
  held.value = null
  if (!now || now.moved) return
  // A point that is not put yet may lie close to another: a tap puts it, only a drag takes hold of the other.
  const isPut = props.taps.some(({ id, at }) => id === props.chosen && at)
  if (now.id && (isPut || now.on)) emit('choose', now.id)
  else if (props.chosen) emit('put', props.chosen, within(toPicture(where(event))))
}

function zoom(by: number, about: Point = [room.value[0] / 2, room.value[1] / 2]) {
  const kept = toPicture(about)
  close.value = clamp(close.value * by, 1, 24)
  const [x, y] = toScreen(kept)
  shift.value = close.value === 1 ? [0, 0] : [shift.value[0] + about[0] - x, shift.value[1] + about[1] - y]
}

/** px that an arrow key moves a point: a tenth, or with Shift five. */
const STEPS = { fine: 0.1, coarse: 5 }
const WAYS: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1]
}
function nudge(event: KeyboardEvent) {
  const way = WAYS[event.key]
  if (!way || !props.chosen) return
  event.preventDefault()
  const step = event.shiftKey ? STEPS.coarse : STEPS.fine
  const from = props.taps.find(({ id }) => id === props.chosen)?.at ?? toPicture([room.value[0] / 2, room.value[1] / 2])
  emit('put', props.chosen, within([from[0] + step * way[0], from[1] + step * way[1]]))
}

const within = ([x, y]: Point): Point => [clamp(x, 0, props.size[0]), clamp(y, 0, props.size[1])]

/** px across the magnifier, and how many times larger it shows than the screen does. */
const GLASS = 150
const LARGER = 4
const glass = computed(() => {
  const point = held.value?.moved && held.value.id ? props.taps.find(({ id }) => id === held.value?.id)?.at : null
  if (!point) return null
  const [x, y] = toScreen(point)
  const larger = scale.value * LARGER
  return {
    left: `${clamp(x - GLASS / 2, 0, room.value[0] - GLASS)}px`,
    top: `${y > GLASS + 40 ? y - GLASS - 30 : y + 40}px`,
    width: `${GLASS}px`,
    height: `${GLASS}px`,
    backgroundImage: `url("${props.src}")`,
    backgroundSize: `${props.size[0] * larger}px ${props.size[1] * larger}px`,
    backgroundPosition: `${GLASS / 2 - point[0] * larger}px ${GLASS / 2 - point[1] * larger}px`
  }
})
const path = (corners: readonly Point[], closed = true) =>
  corners.map((corner, i) => `${i === 0 ? 'M' : 'L'}${toScreen(corner).join(' ')}`).join('') + (closed ? 'Z' : '')
const TONES = { part: 'stroke-lit', other: 'stroke-scribe', settled: 'stroke-lit' } as const
</script>

<template>
  <div
    ref="frame"
    class="relative size-full touch-none overflow-hidden bg-plate"
    tabindex="0"
    role="application"
    :aria-label="MEASURE.plate"
    data-testid="photo-plate"
    @pointerdown="press"
    @pointermove="drag"
    @pointerup="release"
    @pointercancel="held = null"
    @wheel.prevent="zoom($event.deltaY < 0 ? 1.25 : 0.8, where($event))"
    @keydown="nudge">
    <img
      :src="src"
      :alt="alt"
      draggable="false"
      class="absolute top-0 left-0 max-w-none origin-top-left select-none"
      :style="{
        width: `${size[0]}px`,
        height: `${size[1]}px`,
        transform: `translate(${left}px, ${top}px) scale(${scale})`
      }" />
    <svg class="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
      <path v-for="(corners, i) in card" :key="i" :d="path(corners)" class="fill-none stroke-lit" stroke-width="2" />
      <g v-for="(line, i) in lines" :key="`line-${i}`" class="fill-none">
        <path
          :d="path(line.points, line.closed ?? false)"
          stroke="#0b1f33"
          :stroke-width="line.tone === 'settled' ? 3 : 4" />
        <path
          :d="path(line.points, line.closed ?? false)"
          :class="TONES[line.tone]"
          :stroke-width="line.tone === 'settled' ? 1.5 : 2"
          :stroke-dasharray="line.dashed ? '6 4' : undefined" />
      </g>
      <template v-for="tap in taps" :key="tap.id">
        <g v-if="tap.at && tap.small" :transform="`translate(${toScreen(tap.at).join(' ')})`" :data-tap="tap.id">
          <circle
            :r="tap.id === chosen ? 7 : 4"
            stroke="#0b1f33"
            stroke-width="1.5"
            :class="tap.id === chosen ? 'fill-lit' : 'fill-scribe'" />
        </g>
        <g v-else-if="tap.at" :transform="`translate(${toScreen(tap.at).join(' ')})`" :data-tap="tap.id">
          <circle r="11" fill="none" stroke="#0b1f33" stroke-width="4" />
          <circle
            r="11"
            class="fill-none"
            :class="tap.id === chosen ? 'stroke-lit' : 'stroke-scribe'"
            stroke-width="2" />
          <path d="M-16 0h10M6 0h10M0 -16v10M0 6v10" class="stroke-scribe" stroke-width="1.5" />
        </g>
      </template>
    </svg>
    <div v-if="glass" class="pointer-events-none absolute rounded-full border-2 border-lit bg-plate" :style="glass">
      <span class="absolute top-1/2 left-0 h-px w-full bg-lit" /><span
        class="absolute top-0 left-1/2 h-full w-px bg-lit" />
    </div>
    <div class="absolute top-2 right-2 flex gap-2" @pointerdown.stop>
      <button type="button" class="act" :aria-label="MEASURE.farther" @click="zoom(0.67)">
        <MagnifyingGlassMinusIcon class="size-5" aria-hidden="true" />
      </button>
      <button type="button" class="act" :aria-label="MEASURE.closer" data-testid="closer" @click="zoom(1.5)">
        <MagnifyingGlassPlusIcon class="size-5" aria-hidden="true" />
      </button>
    </div>
  </div>
</template>

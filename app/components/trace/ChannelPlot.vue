<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import { MagnifyingGlassMinusIcon, MagnifyingGlassPlusIcon } from '@heroicons/vue/20/solid'
import { useElementSize } from '@vueuse/core'
import { extent } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { clamp } from 'lodash-es'
import { computed, ref, watch } from 'vue'
import { oneAtATime } from '../../composables/oneAtATime'
import type { Canvas, Wheel } from '../../dom'
import { fixDigits } from '../../words'

/** Channels over time, as the extremes of each column: millions of samples are moved and brought closer at once. */
const props = defineProps<{
  names: readonly { name: string; label: string }[]
  count: number
  rate: number
  /** Grows with every piece of a live trace. */
  version: number
  extremes: (
    names: readonly string[],
    from: number,
    to: number,
    columns: number
  ) => Promise<{ low: Float32Array; high: Float32Array }[]>
}>()

const plate = ref<HTMLElement | null>(null)
const canvas = ref<Canvas | null>(null)
const { width, height } = useElementSize(plate, { width: 900, height: 420 })
/** Samples that are shown. */
const view = ref<readonly [number, number]>([0, props.count])
const AXIS = 26
const LABELS = 4

watch(
  () => [props.count, props.version],
  () => (view.value = [0, props.count])
)
const span = computed(() => view.value[1] - view.value[0])
const seconds = computed(() =>
  scaleLinear()
    .domain([view.value[0] / props.rate, view.value[1] / props.rate])
    .range([0, width.value])
)
/** px from the edges within which a tick has no room. */
const EDGE = 24
const ticks = computed(() =>
  seconds.value
    .ticks(8)
    .map((at) => ({ at, x: seconds.value(at) }))
    .filter(({ x }) => x > EDGE && x < width.value - EDGE)
)
const digits = computed(() => (span.value / props.rate > 2 ? 1 : span.value / props.rate > 0.02 ? 3 : 5))

/** Fewest samples that are shown. */
const CLOSEST = 60
function zoom(by: number, share = 0.5) {
  const about = view.value[0] + share * span.value
  const next = clamp(span.value / by, Math.min(CLOSEST, props.count), props.count)
  move(about - share * next, next)
}
function move(from: number, length: number) {
  const start = clamp(from, 0, Math.max(0, props.count - length))
  view.value = [start, start + length]
}
const held = ref<{ x: number; from: number } | null>(null)
function press(event: PointerEvent) {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  held.value = { x: event.clientX, from: view.value[0] }
}
function drag(event: PointerEvent) {
  if (held.value) move(held.value.from - ((event.clientX - held.value.x) / width.value) * span.value, span.value)
}
function turn(event: Wheel) {
  const box = plate.value!.getBoundingClientRect()
  zoom(event.deltaY < 0 ? 1.4 : 1 / 1.4, (event.clientX - box.left) / box.width)
}
const KEYS: Readonly<Record<string, () => void>> = {
  ArrowLeft: () => move(view.value[0] - 0.2 * span.value, span.value),
  ArrowRight: () => move(view.value[0] + 0.2 * span.value, span.value),
  '+': () => zoom(1.5),
  '-': () => zoom(1 / 1.5)
}
function key(event: KeyboardEvent) {
  const act = KEYS[event.key]
  if (!act) return
  event.preventDefault()
  act()
}

const { run: draw } = oneAtATime(async () => {
  const columns = Math.max(1, Math.round(width.value))
  const [from, to] = view.value
  const names = props.names.map(({ name }) => name)
  paint(await props.extremes(names, from, to, columns), columns)
})
function paint(found: readonly { low: Float32Array; high: Float32Array }[], columns: number) {
  const context = canvas.value?.getContext('2d')
  if (!canvas.value || !context) return
  const density = window.devicePixelRatio || 1
  canvas.value.width = columns * density
  canvas.value.height = height.value * density
  context.scale(density, density)
  const room = (height.value - AXIS) / Math.max(1, found.length)
  const style = window.getComputedStyle(canvas.value)
  found.forEach(({ low, high }, i) => {
    const [least, most] = [extent(low)[0] ?? 0, extent(high)[1] ?? 1]
    const y = scaleLinear()
      .domain([least, most === least ? least + 1 : most])
      .range([room * (i + 1) - 10, room * i + 22])
    context.fillStyle = style.color
    for (let k = 0; k < low.length; k++) {
      const [top, bottom] = [y(high[k]!), y(low[k]!)]
      context.fillRect(k, top, 1.2, Math.max(1.2, bottom - top))
    }
  })
}
watch([view, width, height, () => props.names, () => props.version], () => void draw(), {
  immediate: true,
  flush: 'post'
})
</script>

<template>
  <div
    ref="plate"
    class="on-plate relative h-full touch-none overflow-hidden bg-plate text-scribe"
    role="application"
    tabindex="0"
    :aria-label="TRACE_PAGE.channels"
    data-testid="channels"
    :data-from="Math.round(view[0])"
    :data-to="Math.round(view[1])"
    @pointerdown="press"
    @pointermove="drag"
    @pointerup="held = null"
    @pointercancel="held = null"
    @wheel.prevent="turn"
    @keydown="key">
    <canvas ref="canvas" class="absolute inset-0 size-full" aria-hidden="true" />
    <p
      v-for="(one, i) in names"
      :key="one.name"
      class="absolute left-2 text-note text-lit"
      :style="{ top: `${((height - AXIS) / names.length) * i + LABELS}px` }">
      {{ one.label }}
    </p>
    <span
      v-for="tick in ticks"
      :key="tick.at"
      class="figure absolute bottom-1 -translate-x-1/2 text-mark font-normal whitespace-nowrap"
      :style="{ left: `${tick.x}px` }"
      >{{ TRACE_PAGE.seconds(fixDigits(tick.at, digits)) }}</span
    >
    <div class="absolute top-2 right-2 flex gap-2" @pointerdown.stop>
      <button type="button" class="act" :aria-label="TRACE_PAGE.farther" @click="zoom(1 / 2)">
        <MagnifyingGlassMinusIcon class="size-5" aria-hidden="true" />
      </button>
      <button type="button" class="act" :aria-label="TRACE_PAGE.closer" data-testid="trace-closer" @click="zoom(2)">
        <MagnifyingGlassPlusIcon class="size-5" aria-hidden="true" />
      </button>
      <button type="button" class="act" data-testid="trace-whole" @click="move(0, count)">
        {{ TRACE_PAGE.whole }}
      </button>
    </div>
  </div>
</template>

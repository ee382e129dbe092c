<script setup lang="ts">
import { SOUND_PAGE } from '../../../words/en'
import { useElementSize } from '@vueuse/core'
import { extent, quantile } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { computed, onMounted, ref, watch } from 'vue'
import type { Heard, Spectrogram } from '../../../core/sound'
import type { Canvas, Mouse } from '../../dom'
import { fixDigits } from '../../words'

/** A recording by time and frequency, with the engine's speed and the end of the clatter over it. */
const props = defineProps<{ picture: Spectrogram; seconds: number; heard: Heard | null; at: number }>()
const emit = defineEmits<{ seek: [seconds: number] }>()
const plate = ref<HTMLElement | null>(null)
const canvas = ref<Canvas | null>(null)
const { width, height } = useElementSize(plate, { width: 900, height: 420 })

const x = computed(() => scaleLinear().domain([0, props.seconds]).range([0, width.value]))
/** px from the edges within which a tick has no room. */
const EDGE = 18
const ticks = computed(() => x.value.ticks(8).filter((at) => x.value(at) > EDGE && x.value(at) < width.value - EDGE))
const speed = computed(() => {
  const { rpm, rate } = props.heard?.speed ?? { rpm: new Float64Array(), rate: 1 }
  const [low, high] = extent(rpm)
  if (low === undefined || high === undefined) return null
  const y = scaleLinear()
    .domain([0.8 * low, 1.15 * high])
    .range([height.value - 24, 24])
  const step = Math.max(1, Math.floor(rpm.length / 300))
  const points = Array.from({ length: Math.floor(rpm.length / step) }, (_, i): [number, number] => [
    x.value((i * step) / rate),
    y(rpm[i * step]!)
  ])
  return { path: line()(points) ?? '', ends: [points[0]!, points.at(-1)!], first: rpm[0]!, last: rpm.at(-1)! }
})

function paint() {
  const context = canvas.value?.getContext('2d')
  if (!canvas.value || !context) return
  const { columns, rows, levels } = props.picture
  canvas.value.width = columns
  canvas.value.height = rows
  const sorted = Float32Array.from(levels).sort()
  const tone = scaleLinear()
    .domain([quantile(sorted, 0.2) ?? 0, quantile(sorted, 0.995) ?? 1])
    .range([0, 1])
    .clamp(true)
  const image = context.createImageData(columns, rows)
  for (let c = 0; c < columns; c++)
    for (let r = 0; r < rows; r++) {
      const at = 4 * ((rows - 1 - r) * columns + c)
      const share = tone(levels[c * rows + r]!)
      // From the plate's blue over its scribe to white.
      image.data[at] = 11 + 233 * share ** 1.6
      image.data[at + 1] = 31 + 204 * share ** 1.2
      image.data[at + 2] = 51 + 180 * share
      image.data[at + 3] = 255
    }
  context.putImageData(image, 0, 0)
}
onMounted(paint)
watch(() => props.picture, paint, { flush: 'post' })
function seek(event: Mouse) {
  const box = plate.value!.getBoundingClientRect()
  emit('seek', ((event.clientX - box.left) / box.width) * props.seconds)
}
</script>

<template>
  <div
    ref="plate"
    class="on-plate relative h-full overflow-hidden bg-plate text-scribe"
    role="img"
    :aria-label="SOUND_PAGE.picture"
    data-testid="sound-picture"
    @click="seek">
    <canvas ref="canvas" class="absolute inset-0 size-full" />
    <svg class="absolute inset-0 size-full">
      <path v-if="speed" :d="speed.path" class="fill-none" stroke="#0b1f33" stroke-width="5" />
      <path v-if="speed" :d="speed.path" class="fill-none stroke-lit" stroke-width="2" />
      <line
        v-if="heard && heard.quietAfter !== null"
        :x1="x(heard.quietAfter)"
        :x2="x(heard.quietAfter)"
        y1="0"
        :y2="height"
        class="stroke-lit"
        stroke-width="2"
        stroke-dasharray="6 4" />
      <line :x1="x(at)" :x2="x(at)" y1="0" :y2="height" class="stroke-scribe" stroke-width="1" />
    </svg>
    <p
      v-for="(end, i) in speed?.ends ?? []"
      :key="i"
      class="figure absolute bg-plate/80 px-1 text-mark font-normal text-lit"
      :style="{ left: i === 0 ? '4px' : undefined, right: i === 1 ? '4px' : undefined, top: `${end[1] - 26}px` }">
      {{ SOUND_PAGE.speed(fixDigits(i === 0 ? speed!.first : speed!.last, 0)) }}
    </p>
    <span
      v-for="tick in ticks"
      :key="tick"
      class="figure absolute bottom-1 -translate-x-1/2 bg-plate/80 px-1 text-mark font-normal"
      :style="{ left: `${x(tick)}px` }"
      >{{ SOUND_PAGE.seconds(tick) }}</span
    >
  </div>
</template>

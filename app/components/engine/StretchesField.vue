<script setup lang="ts">
import { SHEET_FORM } from '../../../words/en'
import { get } from 'lodash-es'
import { arc } from 'd3-shape'
import { computed } from 'vue'
import { numberOf } from '../bench/draft'
import { listNamed } from './listNamed'
import type { Draft } from './useSheetDraft'

/** Where each cam's signal is high over the cycle, with a drawing of the crank's wheel and of the signals. */
const props = defineProps<{ value: Record<string, unknown>; draft: Draft }>()
const emit = defineEmits<{ change: [cams: Record<string, unknown> | ''] }>()

const cams = computed(() => {
  const drivers = new Set(((props.draft.chains as { driver?: string }[] | undefined) ?? []).map(({ driver }) => driver))
  return listNamed(props.draft, ['sprockets']).filter(({ value }) => !drivers.has(value))
})
const stretchesOf = (id: string) =>
  Array.isArray(props.value[id]) ? (props.value[id] as unknown[]).filter(Array.isArray) : []
const written = (id: string) =>
  Array.isArray(props.value[id])
    ? stretchesOf(id)
        .map((stretch) => stretch.join('-'))
        .join(', ')
    : String((props.value[id] as string | undefined) ?? '')

/** Stretches where they can be read; else what was typed, to be named as a fault and not lost. */
function change(id: string, typed: string) {
  const { [id]: _, ...others } = props.value
  const parts = typed.split(/[,;]/).map((part) => part.trim())
  const read = parts.map((part) =>
    /^(-?[\d.]+)\s*(?:-|–|to)\s*([\d.]+)$/
      .exec(part)
      ?.slice(1)
      .map((one) => numberOf(one))
  )
  const isRead = read.every((stretch) => stretch?.every((one) => one !== null))
  const next = typed.trim() === '' ? others : { ...others, [id]: isRead ? read : typed }
  emit('change', Object.keys(next).length > 0 ? next : '')
}

const [SIZE, WIDTH, ROW] = [130, 420, 26]
const wheel = computed(() => {
  const [teeth, missing] = [
    Number(get(props.draft, 'triggers.crank.teeth')),
    Number(get(props.draft, 'triggers.crank.missing'))
  ]
  if (!(teeth >= 2 && teeth <= 400 && missing >= 0 && missing < teeth)) return []
  const step = (2 * Math.PI) / teeth
  const tooth = arc<number>()
    .innerRadius(46)
    .outerRadius(56)
    .startAngle((i) => i * step)
    .endAngle((i) => (i + 0.5) * step)
  return Array.from({ length: teeth - missing }, (_, i) => tooth(i) ?? '')
})
const bars = computed(() =>
  cams.value.map(({ value: id, label }) => ({
    id,
    label,
    stretches: stretchesOf(id).flatMap((stretch) => {
      const [from, to] = stretch.map(Number) as [number, number]
      return to > from ? [{ x: (from / 720) * WIDTH, width: ((to - from) / 720) * WIDTH }] : []
    })
  }))
)
</script>

<template>
  <div class="mt-1">
    <div class="grid grid-cols-2 gap-2 max-md:grid-cols-1">
      <label v-for="cam in cams" :key="cam.value" class="block"
        ><span class="text-note">{{ cam.label }}</span
        ><input
          class="figure field w-full"
          maxlength="400"
          :placeholder="SHEET_FORM.stretchesLike"
          :value="written(cam.value)"
          :data-testid="`stretches-${cam.value}`"
          @change="change(cam.value, ($event.target as HTMLInputElement).value)"
      /></label>
    </div>
    <svg
      :viewBox="`0 0 ${SIZE + WIDTH + 10} ${Math.max(SIZE, bars.length * ROW + 16)}`"
      class="mt-2 w-full max-w-2xl bg-plate"
      role="img"
      :aria-label="SHEET_FORM.stretchesDrawn">
      <g :transform="`translate(${SIZE / 2} ${SIZE / 2})`">
        <circle r="46" class="fill-scribe/20 stroke-scribe" />
        <path v-for="(tooth, i) in wheel" :key="i" :d="tooth" class="fill-scribe" />
      </g>
      <g v-for="(bar, i) in bars" :key="bar.id" :transform="`translate(${SIZE} ${i * ROW + 8})`">
        <text x="0" y="9" class="fill-scribe text-mark">{{ bar.label }}</text>
        <rect x="0" y="13" :width="WIDTH" height="1" class="fill-scribe/40" />
        <rect
          v-for="(stretch, k) in bar.stretches"
          :key="k"
          :x="stretch.x"
          :width="stretch.width"
          y="12"
          height="9"
          class="fill-lit" />
      </g>
    </svg>
  </div>
</template>

<script setup lang="ts">
import { MEASURE, sayPicture } from '../../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { markToLag } from '../../../core/drive'
import { NINETY, type Point } from '../../../core/math'
import type { MeasureFile, Shares } from '../../../core/picture'
import type { Reading } from '../../../core/readings'
import { compileSheet } from '../../../core/sheet'
import { useMeasured } from '../../composables/useMeasured'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { lengthFigure, lengthWords, toStored } from '../../units'
import { fixDigits, partName, unitWords } from '../../words'
import { numberOf } from '../bench/draft'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import { endsOf, type OnPhoto, pointsOf } from './asks'
import ComparedChains from './ComparedChains.vue'
import KeepReading from './KeepReading.vue'
import { between, type PlateLine, type Tap } from './marks'
import PhotoDesk from './PhotoDesk.vue'
import PointList from './PointList.vue'

/** Lengths, an old chain beside a new one, and marks, measured by points on a photo. */
const props = defineProps<OnPhoto>()
const job = useOpenJob()
const who = useBench()
const { size, card, state } = props.measuring

const sheet = computed(() => job.job.sheet)
const compiled = computed(() => compileSheet(sheet.value))
const chain = computed(() => compiled.value.chains.get(props.part) ?? compiled.value.chainAt(props.part) ?? null)
const sprocket = computed(() => compiled.value.sprockets.get(props.part) ?? null)

const points = ref<Record<string, Point>>({})
const chosen = ref('')
const behind = ref('')
const knownMm = ref('')
const links = ref('20')
/** The card's line as this device's printer prints it. */
const printed = useLocalStorage('umbrette.card-line', '')

const ends = computed(() => endsOf(props.asked, state.value !== 'ready' || card.value !== null))
const taps = computed<Tap[]>(() =>
  ends.value.map(({ id, label, group }) => ({ id, label, at: points.value[id] ?? null, small: group === 'rim' }))
)
const putOf = (group: (typeof ends.value)[number]['group']): Point[] =>
  ends.value.flatMap(({ id, group: of }) => (of === group && points.value[id] ? [points.value[id]] : []))
const pair = (group: 'part' | 'new' | 'known'): [Point, Point] | null => {
  const [a, b] = putOf(group)
  return a && b ? [a, b] : null
}
const lines = computed<PlateLine[]>(() => {
  const of = (group: 'part' | 'new' | 'known') => taps.value.filter((_, i) => ends.value[i]!.group === group)
  return [
    ...(props.asked === 'marks' ? [] : between(of('part'), 'part')),
    ...between(of('new'), 'other'),
    ...between(of('known'), 'other', true)
  ]
})

/** mm that was typed; undefined for nothing, or no number. */
const millimetres = (typed: string) => {
  const value = typed.trim() === '' ? null : numberOf(typed)
  return value === null ? undefined : toStored('extension', value)
}

function measureOf(of: [Point, Point]): MeasureFile['measure'][number] | null {
  const copy = ([x, y]: Point): [number, number] => [x, y]
  const [a, b] = [copy(of[0]), copy(of[1])]
  if (props.asked === 'marks') {
    const rim = putOf('rim').map(copy)
    if (!sprocket.value || !chain.value || rim.length < 5) return null
    return { kind: 'angle', teeth: sprocket.value.teeth, pitch: chain.value.pitch, rim, mark: a, pointer: b }
  }
  if (props.asked !== 'compare') return { kind: 'length', a, b }
  const [fresh, many] = [pair('new'), Number(links.value)]
  if (!fresh || !chain.value || !(many >= 1)) return null
  return { kind: 'compare', old: [a, b], new: fresh.map(copy), links: many, pitch: chain.value.pitch }
}

/** What is asked of the picture as it stands; null before every point is put. */
const file = computed<MeasureFile | null>(() => {
  const [of, known, mm] = [pair('part'), pair('known'), millimetres(knownMm.value)]
  const measure = of && measureOf(of)
  if (!size.value || !measure) return null
  const scale = millimetres(printed.value)
  const plane: MeasureFile['plane'] = [
    ...(card.value ? [{ ...card.value, ...(scale === undefined ? {} : { printed: scale }) }] : []),
    ...(known && mm ? [{ kind: 'known' as const, a: [...known[0]] as Point, b: [...known[1]] as Point, mm }] : [])
  ]
  if (plane.length === 0 && measure.kind === 'length') return null
  const lies = millimetres(behind.value)
  return {
    format: 'umbrette-picture',
    version: 1,
    size: [...size.value],
    plane,
    measure: [measure],
    ...(card.value && lies !== undefined ? { behind: lies } : {})
  }
})

const nextTap = () => ends.value.find(({ id }) => !points.value[id])?.id ?? ''
function put(id: string, at: Point) {
  const fresh = !points.value[id]
  points.value = { ...points.value, [id]: at }
  if (fresh) chosen.value = nextTap() || id
}
watch(
  () => props.asked,
  () => (chosen.value = nextTap())
)
watch(
  state,
  (now) => {
    if (now !== 'ready') return
    openAgain()
    chosen.value = nextTap()
  },
  { immediate: true }
)

/** Puts the points of the reading that the photo was opened for. */
function openAgain() {
  if (!props.again || Object.keys(points.value).length > 0) return
  const { picture: kept, reading } = props.again
  points.value = pointsOf(kept)
  knownMm.value = kept.known ? lengthFigure(kept.known.mm, 1) : ''
  behind.value = kept.behind === undefined ? '' : lengthFigure(kept.behind, 1)
  if (reading.kind === 'chainCompare') links.value = String(reading.links)
}

const measured = useMeasured(props.measuring, file)
const saved = ref(false)
watch(file, () => (saved.value = false))
const result = computed(() => {
  const found = measured.value
  if (!found || 'code' in found) return null
  const [one] = found.results
  return one && 'value' in one ? { ...one, distance: found.distance, tilt: found.tilt } : null
})
/** Degrees from which a phone held askew is worth a word. */
const ASKEW = 25
const limit = computed(() => {
  const shares = result.value?.shares
  if (!shares) return ''
  const [most] = (Object.keys(shares) as (keyof Shares)[]).sort((a, b) => shares[b] - shares[a])
  return MEASURE.limits[most!]
})

/** The figure as it is read: mm, or of a mark crank degrees late. */
const figure = computed(() => {
  const found = result.value
  if (!found) return null
  if (props.asked !== 'marks' || !chain.value) return { value: found.value, sigma: found.sigma }
  const lag = (degrees: number) => markToLag(sheet.value, chain.value!, props.part, degrees)
  return { value: lag(found.value), sigma: Math.abs(lag(found.sigma)) }
})
const unit = computed(() => unitWords('extension'))
const shown = computed(() => {
  const now = figure.value
  if (!now) return null
  if (props.asked === 'marks')
    return {
      value: MEASURE.late(fixDigits(Math.abs(now.value), 1), now.value >= 0),
      within: MEASURE.withinDegrees(fixDigits(NINETY * now.sigma, 1))
    }
  const value =
    props.asked === 'compare' ? MEASURE.longer(lengthFigure(now.value, 2), unit.value) : lengthWords(now.value, 1)
  return { value, within: MEASURE.within(lengthFigure(NINETY * now.sigma, 2), unit.value) }
})

/** Of what the result is a reading; null for a length that stands for itself. */
const reading = computed<Reading | null>(() => {
  if (!figure.value) return null
  const { value, sigma } = figure.value
  const read = { value: Number(value.toFixed(2)), sigma: Number(sigma.toFixed(3)) }
  switch (props.asked) {
    case 'extension':
      return { kind: 'extension', tensioner: props.part, method: 'photo', ...read } as Reading
    case 'padWear':
      return { kind: 'padWear', tensioner: props.part, method: 'photo', ...read } as Reading
    case 'groove':
      return { kind: 'groove', rail: props.part, method: 'photo', ...read } as Reading
    case 'marks':
      return { kind: 'camLag', sprocket: props.part, method: 'marks', ...read } as Reading
    case 'compare':
      return { kind: 'chainCompare', chain: props.part, links: Number(links.value), ...read } as Reading
    default:
      return null
  }
})

function save() {
  const of = pair('part')
  if (!reading.value || !of || !who.by) return
  const [fresh, known, rim] = [pair('new'), pair('known'), putOf('rim')]
  const [mm, lies, line] = [millimetres(knownMm.value), millimetres(behind.value), millimetres(printed.value)]
  job.put({
    type: 'read',
    reading: reading.value,
    ...(props.again ? { supersedes: props.again.id } : {}),
    picture: {
      photo: props.photo,
      ends: of,
      ...(fresh ? { newEnds: fresh } : {}),
      ...(rim.length > 0 ? { rim } : {}),
      ...(known && mm ? { known: { ends: known, mm } } : {}),
      ...(card.value && lies !== undefined ? { behind: lies } : {}),
      ...(card.value && line !== undefined ? { printed: line } : {})
    }
  })
  saved.value = true
}
</script>

<template>
  <PhotoDesk
    :src="src"
    :measuring="measuring"
    :taps="taps"
    :chosen="chosen"
    :lines="lines"
    :alt="partName(sheet, part)"
    :empty="MEASURE.noPhoto"
    @put="put"
    @choose="chosen = $event">
    <template #plate><slot /></template>
    <template #asked><slot name="asked" /></template>
    <p v-if="state === 'ready' && ends.some(({ group }) => group === 'known')" class="text-note">
      {{ MEASURE.noCardSo }}
    </p>
    <p v-if="asked === 'marks'" class="text-note">{{ MEASURE.rimAll }}</p>
    <PointList :taps="taps" :chosen="chosen" @choose="chosen = $event" />
    <Field v-if="asked === 'compare'" v-model="links" :label="MEASURE.linksBetween" inputmode="numeric" />
    <Field
      v-if="ends.some(({ group }) => group === 'known')"
      v-model="knownMm"
      :label="MEASURE.knownLength(unit)"
      inputmode="decimal"
      data-testid="known-mm" />
    <template v-if="card && asked !== 'compare' && asked !== 'marks'">
      <Field v-model="behind" :label="MEASURE.behind(unit)" inputmode="decimal" data-testid="behind" />
      <Field v-model="printed" :label="MEASURE.printed(unit)" inputmode="decimal" />
    </template>
    <section class="border-t border-rule pt-3" :aria-label="MEASURE.result" aria-live="polite">
      <template v-if="result && shown">
        <p class="figure text-4xl" data-testid="measured">{{ shown.value }}</p>
        <p class="figure text-faint">{{ shown.within }}</p>
        <ComparedChains
          v-if="asked === 'compare' && chain && figure"
          :sheet="sheet"
          :chain="chain"
          :links="Number(links)"
          :figure="figure" />
        <p class="mt-1 text-note">{{ limit }}</p>
        <p class="text-note text-faint">
          {{ MEASURE.camera(lengthWords(result.distance, 0), fixDigits(result.tilt, 0)) }}
        </p>
        <p v-if="result.tilt > ASKEW" class="text-note">{{ MEASURE.tiltLess }}</p>
      </template>
      <FaultNote v-else-if="measured && 'code' in measured">{{ sayPicture(measured) }}</FaultNote>
      <p v-else class="text-faint">{{ MEASURE.notYet }}</p>
    </section>
    <template v-if="result">
      <p v-if="!reading" class="text-note">{{ MEASURE.notSaved }}</p>
      <KeepReading v-else :saved="saved" @keep="save" />
    </template>
  </PhotoDesk>
</template>

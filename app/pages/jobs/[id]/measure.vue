<script setup lang="ts">
import { COMMON, MEASURE, sayPicture } from '../../../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import type { FoundCard, MeasureFile, Measurement, Shares } from '../../../../core/picture'
import type { Reading } from '../../../../core/readings'
import { compileSheet, partKindOf } from '../../../../core/sheet'
import type { Message } from '../../../../core/check'
import type { Point } from '../../../../core/math'
import Caution from '../../../components/parts/Caution.vue'
import FaultNote from '../../../components/parts/FaultNote.vue'
import Field from '../../../components/parts/Field.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import CardLinks from '../../../components/measure/CardLinks.vue'
import PhotoPlate, { type Tap } from '../../../components/measure/PhotoPlate.vue'
import { numberOf } from '../../../components/bench/draft'
import { usePicture } from '../../../composables/usePicture'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { useOutbox } from '../../../stores/outbox'
import { lengthFigure, lengthWords, toStored } from '../../../units'
import { fixDigits, partName, unitWords } from '../../../words'

/** Measures on a photo of a part: by the scale card on it, or two points whose distance is known. */
const route = useRoute()
const job = useOpenJob()
const who = useBench()
const picture = usePicture()
const outbox = useOutbox()
const refused = computed(() => outbox.refused.filter(({ jobId }) => jobId === job.id))

const part = computed(() => String(route.query.part ?? ''))
const photo = computed(() => job.record.photos.find((one) => one.photo === String(route.query.photo ?? '')) ?? null)
const src = computed(() => (photo.value ? `/api/photos/${photo.value.photo}` : ''))
/** The reading that the photo is opened for again. */
const again = computed(() => {
  const act = job.acts.find(({ id }) => id === String(route.query.reading ?? ''))
  return act?.type === 'read' && act.picture ? { id: act.id, reading: act.reading, picture: act.picture } : null
})

/** Back to the figure that it is of. */
const bench = computed(() => {
  const read = { extension: 'extension', compare: 'chainCompare', length: '' }[asked.value]
  return `/jobs/${job.id}${read ? `?read=${read}:${part.value}` : ''}`
})

type Asked = 'extension' | 'length' | 'compare'
const sheet = computed(() => job.job.sheet)
const kind = computed(() => partKindOf(sheet.value, part.value))
const chain = computed(() => compileSheet(sheet.value).chains.get(part.value) ?? null)
const choices = computed(() => [
  ...(kind.value === 'tensioner' ? [{ value: 'extension' as const, label: MEASURE.askExtension }] : []),
  ...(chain.value ? [{ value: 'compare' as const, label: MEASURE.askCompare }] : []),
  { value: 'length' as const, label: MEASURE.askLength }
])
const asked = ref<Asked>(choices.value[0]!.value)

const size = shallowRef<readonly [number, number] | null>(null)
const card = shallowRef<FoundCard | null>(null)
const state = ref<'opening' | 'looking' | 'ready'>('opening')
const problem = ref('')
const points = ref<Record<string, Point>>({})
const chosen = ref('')
const behind = ref('')
const knownMm = ref('')
const links = ref('20')
/** The card's line as this device's printer prints it. */
const printed = useLocalStorage('umbrette.card-line', '')
const measured = shallowRef<Measurement | Message | null>(null)

const ends = computed(() => [
  ...MEASURE.ends[asked.value].map((label, i) => ({ id: `part-${i}`, label, group: 'part' as const })),
  ...(asked.value === 'compare'
    ? MEASURE.newEnds.map((label, i) => ({ id: `new-${i}`, label, group: 'new' as const }))
    : []),
  ...(state.value === 'ready' && !card.value && asked.value !== 'compare'
    ? MEASURE.knownEnds.map((label, i) => ({ id: `known-${i}`, label, group: 'known' as const }))
    : [])
])
const taps = computed<Tap[]>(() => ends.value.map((end) => ({ ...end, at: points.value[end.id] ?? null })))
const pair = (group: Tap['group']): [Point, Point] | null => {
  const [a, b] = taps.value.filter((tap) => tap.group === group).map(({ at }) => at)
  return a && b ? [a, b] : null
}
const corners = computed(() =>
  card.value ? Object.values(card.value.corners).flatMap((one) => (one ? [one] : [])) : []
)

/** mm that was typed; undefined for nothing, or no number. */
const millimetres = (typed: string) => {
  const value = typed.trim() === '' ? null : numberOf(typed)
  return value === null ? undefined : toStored('extension', value)
}

/** What is asked of the picture as it stands; null before every point is put. */
const file = computed<MeasureFile | null>(() => {
  const of = pair('part')
  const [fresh, known] = [pair('new'), pair('known')]
  const mm = millimetres(knownMm.value)
  if (!size.value || !of) return null
  const scale = millimetres(printed.value)
  const plane: MeasureFile['plane'] = [
    ...(card.value ? [{ ...card.value, ...(scale === undefined ? {} : { printed: scale }) }] : []),
    ...(known && mm ? [{ kind: 'known' as const, a: known[0], b: known[1], mm }] : [])
  ]
  const many = Number(links.value)
  const measure =
    asked.value !== 'compare'
      ? { kind: 'length' as const, a: of[0], b: of[1] }
      : fresh && chain.value && many >= 1
        ? { kind: 'compare' as const, old: of, new: fresh, links: many, pitch: chain.value.pitch }
        : null
  if (!measure || (plane.length === 0 && measure.kind === 'length')) return null
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

onMounted(async () => {
  if (!src.value) return
  try {
    const answer = await fetch(src.value)
    size.value = await picture.open(await answer.blob())
  } catch {
    problem.value = MEASURE.cannotOpen
    return
  }
  state.value = 'looking'
  const found = await picture.card()
  card.value = found && !('code' in found) ? found : null
  problem.value = found && 'code' in found && found.code !== 'no-card' ? sayPicture(found) : ''
  state.value = 'ready'
  openAgain()
})

/** Puts the points of the reading that the photo was opened for. */
function openAgain() {
  const of = again.value
  if (of) {
    const { ends: kept, newEnds, known, behind: lay } = of.picture
    asked.value = of.reading.kind === 'extension' ? 'extension' : 'compare'
    const put = (group: string, two: readonly (readonly [number, number])[] | undefined) =>
      Object.fromEntries((two ?? []).map((at, i) => [`${group}-${i}`, at]))
    points.value = { ...put('part', kept), ...put('new', newEnds), ...put('known', known?.ends) }
    knownMm.value = known ? lengthFigure(known.mm, 1) : ''
    behind.value = lay === undefined ? '' : lengthFigure(lay, 1)
    if (of.reading.kind === 'chainCompare') links.value = String(of.reading.links)
  }
  chosen.value = nextTap()
}

const nextTap = () => ends.value.find(({ id }) => !points.value[id])?.id ?? ''
function put(id: string, at: Point) {
  const fresh = !points.value[id]
  points.value = { ...points.value, [id]: at }
  if (fresh) chosen.value = nextTap() || id
}
watch(asked, () => (chosen.value = nextTap()))

let asking = 0
watch(file, async (now) => {
  const turn = ++asking
  const answer = now ? await picture.measure(now) : null
  if (turn === asking) measured.value = answer
})
const result = computed(() => {
  const found = measured.value
  if (!found || 'code' in found) return null
  const [one] = found.results
  return one && 'value' in one ? { ...one, distance: found.distance, tilt: found.tilt } : null
})
/** Degrees from which a phone held askew is worth a word. */
const ASKEW = 25
const NINETY = 1.645
const limit = computed(() => {
  const shares = result.value?.shares
  if (!shares) return ''
  const [most] = (Object.keys(shares) as (keyof Shares)[]).sort((a, b) => shares[b] - shares[a])
  return MEASURE.limits[most!]
})
const left = computed(() =>
  chosen.value && !points.value[chosen.value] ? ends.value.find(({ id }) => id === chosen.value) : null
)
const saved = ref(false)
watch(file, () => (saved.value = false))

/** Of what the result is a reading; null for a length that stands for itself. */
const reading = computed<Reading | null>(() => {
  if (!result.value) return null
  const figure = { value: Number(result.value.value.toFixed(2)), sigma: Number(result.value.sigma.toFixed(3)) }
  if (asked.value === 'extension')
    return { kind: 'extension', tensioner: part.value, method: 'photo', turnedForward: undefined, ...figure } as Reading
  if (asked.value === 'compare')
    return { kind: 'chainCompare', chain: part.value, links: Number(links.value), ...figure } as Reading
  return null
})

function save() {
  const of = pair('part')
  if (!reading.value || !of || !photo.value || !who.by) return
  const [fresh, known] = [pair('new'), pair('known')]
  const [mm, lies, line] = [millimetres(knownMm.value), millimetres(behind.value), millimetres(printed.value)]
  job.put({
    type: 'read',
    reading: JSON.parse(JSON.stringify(reading.value)) as Reading,
    ...(again.value ? { supersedes: again.value.id } : {}),
    picture: {
      photo: photo.value.photo,
      ends: of,
      ...(fresh ? { newEnds: fresh } : {}),
      ...(known && mm ? { known: { ends: known, mm } } : {}),
      ...(card.value && lies !== undefined ? { behind: lies } : {}),
      ...(card.value && line !== undefined ? { printed: line } : {})
    }
  })
  saved.value = true
}
const unit = computed(() => unitWords('extension'))
useHead({ title: () => MEASURE.title(job.job.vehicle) })
</script>

<template>
  <div class="flex h-dvh flex-col">
    <TopBar
      ><h1 class="truncate font-bold">{{ MEASURE.heading }}</h1>
      <p class="truncate text-faint">{{ job.job.vehicle }} · {{ partName(sheet, part) }}</p></TopBar
    >
    <main class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_22rem] max-md:grid-cols-1 max-md:overflow-y-auto">
      <div class="relative min-h-0 bg-plate max-md:h-[55dvh]">
        <PhotoPlate
          v-if="size && photo"
          :src="src"
          :size="size"
          :taps="taps"
          :chosen="chosen"
          :card="corners"
          :alt="partName(sheet, part)"
          @put="put"
          @choose="chosen = $event" />
        <NuxtLink class="act absolute top-2 left-2 inline-flex items-center" :to="bench" :prefetch="false">{{
          MEASURE.back
        }}</NuxtLink>
        <p v-if="!size || !photo" class="p-4 pt-16 text-scribe" role="status">
          {{ !photo ? MEASURE.noPhoto : problem || MEASURE.opening }}
        </p>
      </div>
      <aside class="flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-sheet p-4">
        <Field :label="MEASURE.ask">
          <template #default="{ control }">
            <select v-model="asked" v-bind="control" data-testid="asked">
              <option v-for="choice in choices" :key="choice.value" :value="choice.value">{{ choice.label }}</option>
            </select>
          </template>
        </Field>
        <p v-if="state === 'looking'" role="status">{{ MEASURE.looking }}</p>
        <p v-else-if="card" class="text-note" data-testid="card-found">{{ MEASURE.cardFound(corners.length) }}</p>
        <p v-else-if="state === 'ready' && asked !== 'compare'" class="text-note">{{ MEASURE.noCardSo }}</p>
        <FaultNote v-if="problem">{{ problem }}</FaultNote>
        <div role="group" :aria-label="MEASURE.points">
          <p class="label">{{ MEASURE.points }}</p>
          <ul>
            <li v-for="end in ends" :key="end.id">
              <button
                type="button"
                class="flex min-h-11 w-full items-center gap-2 border-b border-rule/60 text-left"
                :class="end.id === chosen ? 'font-bold' : ''"
                :aria-pressed="end.id === chosen"
                :data-testid="`end-${end.id}`"
                @click="chosen = end.id">
                <span aria-hidden="true">{{ points[end.id] ? '●' : '○' }}</span>{{ end.label }}
              </button>
            </li>
          </ul>
          <p class="mt-1 text-note text-faint" role="status">
            {{ left ? MEASURE.tapNext(left.label) : ends.every(({ id }) => points[id]) ? MEASURE.allPut : '' }}
          </p>
        </div>
        <Field v-if="asked === 'compare'" v-model="links" :label="MEASURE.linksBetween" inputmode="numeric" />
        <Field
          v-if="!card && asked !== 'compare' && state === 'ready'"
          v-model="knownMm"
          :label="MEASURE.knownLength(unit)"
          inputmode="decimal"
          data-testid="known-mm" />
        <template v-if="card">
          <Field v-model="behind" :label="MEASURE.behind(unit)" inputmode="decimal" data-testid="behind" />
          <Field v-model="printed" :label="MEASURE.printed(unit)" inputmode="decimal" />
        </template>
        <section class="border-t border-rule pt-3" :aria-label="MEASURE.result" aria-live="polite">
          <template v-if="result">
            <p class="figure text-4xl" data-testid="measured">
              {{
                asked === 'compare' ? MEASURE.longer(lengthFigure(result.value, 2), unit) : lengthWords(result.value, 1)
              }}
            </p>
            <p class="figure text-faint">{{ MEASURE.within(lengthFigure(NINETY * result.sigma, 2), unit) }}</p>
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
          <button
            v-else
            type="button"
            class="act-main w-full"
            data-testid="keep"
            :disabled="!who.by || saved"
            @click="save">
            {{ MEASURE.save }}
          </button>
          <p v-if="reading && !who.by" class="text-note">{{ MEASURE.whoFirst }}</p>
          <template v-for="{ act, problem: why } in refused" :key="act.id"
            ><FaultNote
              >{{ why.message }}
              <button type="button" class="act-bare" @click="outbox.dismiss(act.id)">
                {{ COMMON.understood }}
              </button></FaultNote
            ></template
          >
          <p v-if="saved && refused.length === 0" role="status">{{ MEASURE.saved }}</p>
        </template>
        <CardLinks class="mt-auto" />
        <Caution lead="">{{ MEASURE.aid }}</Caution>
      </aside>
    </main>
  </div>
</template>

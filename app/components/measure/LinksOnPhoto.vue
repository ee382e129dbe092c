<script setup lang="ts">
import { MEASURE, sayPicture } from '../../../words/en'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Message } from '../../../core/check'
import { type Point, smoothLine } from '../../../core/math'
import type { CountedLinks } from '../../../core/picture'
import type { Reading } from '../../../core/readings'
import { compileSheet } from '../../../core/sheet'
import { oneAtATime } from '../../composables/oneAtATime'
import { useOpenJob } from '../../stores/job'
import { fixDigits, partName } from '../../words'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import type { OnPhoto } from './asks'
import KeepReading from './KeepReading.vue'
import type { PlateLine, Tap } from './marks'
import PhotoDesk from './PhotoDesk.vue'

/** Links counted along a line on a photo: each has its tick, wrong ones are moved, the count goes to its run. */
const props = defineProps<OnPhoto>()
const job = useOpenJob()
const { picture, state } = props.measuring

const sheet = computed(() => job.job.sheet)
const runs = computed(() =>
  (compileSheet(sheet.value).chains.get(props.part)?.counts ?? []).map(({ from, to, links }) => ({
    id: `${from}>${to}`,
    from,
    to,
    links
  }))
)
const chosenRun = ref('')
const run = computed(() => runs.value.find(({ id }) => id === chosenRun.value) ?? runs.value[0] ?? null)

const line = ref<Point[]>([])
const ticks = ref<Point[]>([])
const half = ref(false)
/** Were ticks moved, put or taken away by hand? */
const corrected = ref(false)
const chosen = ref('line-0')
const counted = shallowRef<CountedLinks | Message | null>(null)
const saved = ref(false)

watch(
  state,
  (now) => {
    if (now !== 'ready' || !props.again || line.value.length > 0) return
    const { picture: kept, reading } = props.again
    line.value = [...(kept.line ?? kept.ends)] as Point[]
    ticks.value = [...(kept.ticks ?? [])] as Point[]
    corrected.value = true
    if (reading.kind === 'linkCount') {
      chosenRun.value = `${reading.from}>${reading.to}`
      half.value = (reading.value ?? 0) % 1 !== 0
    }
  },
  { immediate: true }
)

const taps = computed<Tap[]>(() => [
  ...line.value.map((at, i) => ({ id: `line-${i}`, label: MEASURE.linePoint(i + 1), at })),
  ...ticks.value.map((at, i) => ({ id: `tick-${i}`, label: MEASURE.tickOf(i + 1), at, small: true }))
])
const lines = computed<PlateLine[]>(() => [{ points: smoothLine(line.value), tone: 'part', dashed: true }])
/** Place of the chosen tick; −1 for none. */
const tick = computed(() => (chosen.value.startsWith('tick-') ? Number(chosen.value.slice(5)) : -1))

function put(id: string, at: Point) {
  saved.value = false
  const [kind, place] = id.split('-') as [string, string]
  if (kind === 'tick') {
    corrected.value = true
    ticks.value = ticks.value.map((old, i) => (i === Number(place) ? at : old))
    return
  }
  const fresh = Number(place) >= line.value.length
  line.value = fresh ? [...line.value, at] : line.value.map((old, i) => (i === Number(place) ? at : old))
  // The next tap lengthens the line.
  if (fresh) chosen.value = `line-${line.value.length}`
}

const { run: count, busy: counting } = oneAtATime(async () => {
  const now = line.value
  if (corrected.value || now.length < 2) return
  const answer = await picture.links(now, run.value ? { links: run.value.links } : {})
  if (corrected.value || now !== line.value) return
  counted.value = answer
  ticks.value = answer && !('code' in answer) ? answer.ticks : []
  half.value = answer !== null && !('code' in answer) && answer.links % 1 !== 0
})
watch([line, run], () => void count())

function takeAway() {
  corrected.value = true
  ticks.value = ticks.value.filter((_, i) => i !== tick.value)
  chosen.value = `tick-${Math.max(0, tick.value - 1)}`
}
function putAfter() {
  const [here, next] = [ticks.value[tick.value]!, ticks.value[tick.value + 1] ?? line.value.at(-1)!]
  corrected.value = true
  const between: Point = [(here[0] + next[0]) / 2, (here[1] + next[1]) / 2]
  ticks.value = [...ticks.value.slice(0, tick.value + 1), between, ...ticks.value.slice(tick.value + 1)]
  chosen.value = `tick-${tick.value + 1}`
}
function startAgain() {
  line.value = []
  ticks.value = []
  counted.value = null
  corrected.value = false
  chosen.value = 'line-0'
}
watch([ticks, half, run], () => (saved.value = false))

const links = computed(() => Math.max(0, ticks.value.length - 1) + (half.value ? 0.5 : 0))
const doubt = computed(() => counted.value !== null && !('code' in counted.value) && !counted.value.sure)

function save() {
  if (!run.value) return
  const { from, to } = run.value
  const reading = { kind: 'linkCount', chain: props.part, from, to, value: links.value } as Reading
  job.put({
    type: 'read',
    reading,
    ...(props.again ? { supersedes: props.again.id } : {}),
    picture: {
      photo: props.photo,
      ends: [line.value[0]!, line.value.at(-1)!],
      line: line.value,
      ticks: ticks.value
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
    <Field :label="MEASURE.linksRun">
      <template #default="{ control }">
        <select
          :value="run?.id"
          v-bind="control"
          data-testid="links-run"
          @change="chosenRun = ($event.target as HTMLSelectElement).value">
          <option v-for="one in runs" :key="one.id" :value="one.id">
            {{ MEASURE.runFromTo(partName(sheet, one.from), partName(sheet, one.to), one.links) }}
          </option>
        </select>
      </template>
    </Field>
    <p class="text-note">{{ MEASURE.linksLine }}</p>
    <section class="border-t border-rule pt-3" :aria-label="MEASURE.result" aria-live="polite">
      <template v-if="ticks.length > 1">
        <p class="figure text-4xl" data-testid="links-counted">
          {{ MEASURE.linksCounted(fixDigits(links, half ? 1 : 0)) }}
        </p>
        <p class="text-note" :class="doubt && !corrected ? 'font-bold text-renew' : ''" data-testid="links-said">
          {{ corrected ? MEASURE.linksMoved : doubt ? MEASURE.linksDoubt : MEASURE.linksSure }}
        </p>
        <p class="mt-1 text-note text-faint">{{ MEASURE.linksChoose }}</p>
      </template>
      <p v-else-if="counting" role="status">{{ MEASURE.counting }}</p>
      <FaultNote v-else-if="counted && 'code' in counted">{{ sayPicture(counted) }}</FaultNote>
    </section>
    <div v-if="ticks.length > 1" class="flex flex-wrap gap-2">
      <button type="button" class="act" :disabled="tick < 0" data-testid="tick-away" @click="takeAway">
        {{ MEASURE.tickAway }}
      </button>
      <button type="button" class="act" :disabled="tick < 0" data-testid="tick-after" @click="putAfter">
        {{ MEASURE.tickAfter }}
      </button>
      <label class="flex min-h-11 items-center gap-2"
        ><input v-model="half" type="checkbox" class="size-5" />{{ MEASURE.halfAtEnd }}</label
      >
    </div>
    <button v-if="line.length" type="button" class="act-bare" @click="startAgain">{{ MEASURE.startAgain }}</button>
    <KeepReading v-if="ticks.length > 1 && run" :saved="saved" @keep="save" />
  </PhotoDesk>
</template>

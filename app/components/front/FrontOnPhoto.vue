<script setup lang="ts">
import { FRONT, sayPicture } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Message } from '../../../core/check'
import { NINETY, type Point } from '../../../core/math'
import type { FrontTaps, SettledFront } from '../../../core/picture'
import type { DriveSheet } from '../../../core/sheet'
import { oneAtATime } from '../../composables/oneAtATime'
import { type KeptFront, useFrontPhoto } from '../../composables/useFrontPhoto'
import { useMeasuring } from '../../composables/useMeasuring'
import { shownProblem } from '../../problem'
import { fixDigits, partName } from '../../words'
import type { PlateLine, Tap } from '../measure/marks'
import PhotoDesk from '../measure/PhotoDesk.vue'
import ChoiceRow from '../parts/ChoiceRow.vue'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import TakeFile from '../parts/TakeFile.vue'
import { useSheetDraft } from '../engine/useSheetDraft'
import { stepsOf, type Tapped, tapsOf } from './steps'

/** An engine's parts put on a photo of its open front: the drawing settles over it, and goes into the sheet. */
const props = defineProps<{
  sheet: DriveSheet
  /** Newest revision of the sheet. */
  revision: number
  /** Engines that the practice camera can be held before. */
  engines: readonly { id: string; name: string }[]
}>()
const emit = defineEmits<{ settled: [] }>()
const draft = useSheetDraft(props.sheet, props.revision)

const { kept, loaded, noRoom, keep } = useFrontPhoto(props.sheet.id)
const photo = shallowRef<KeptFront['photo'] | null>(null)
const src = ref('')
const points = ref<Tapped>({})
const ran = ref<'new' | 'ran'>('ran')
const chosen = ref('')
const problem = ref('')
const measuring = useMeasuring(() => Promise.resolve(photo.value))
const { picture, size, card, state } = measuring

const steps = computed(() => stepsOf(props.sheet))
/** The step whose points are tapped. */
const current = ref(steps.value[0]?.id ?? '')
const step = computed(() => steps.value.find(({ id }) => id === current.value) ?? steps.value[0]!)
const putIn = (id: string) => points.value[id] ?? []

function show(blob: KeptFront['photo']) {
  if (src.value) URL.revokeObjectURL(src.value)
  photo.value = blob
  src.value = URL.createObjectURL(blob)
  void measuring.open()
}
watch(loaded, () => {
  const found = kept.value
  if (!found || photo.value) return
  points.value = found.points
  ran.value = found.ran ? 'ran' : 'new'
  show(found.photo)
})
function take(file: KeptFront['photo']) {
  points.value = {}
  settled.value = null
  current.value = steps.value[0]?.id ?? ''
  show(file)
}
const practising = ref('')
async function practise() {
  if (!practising.value) return
  problem.value = ''
  try {
    const taken = await $fetch<ArrayBuffer, 'arrayBuffer'>(`/api/sheets/${practising.value}/front.jpg`, {
      responseType: 'arrayBuffer'
    })
    take(new File([taken], 'front.jpg', { type: 'image/jpeg' }))
  } catch (error) {
    problem.value = shownProblem(error).message
  }
}

const taps = computed<Tap[]>(() =>
  steps.value.flatMap(({ id, label, most }) =>
    putIn(id).map((at, i) => ({ id: `${id}#${i}`, label: FRONT.tapName(label, i + 1), at, small: most > 3 }))
  )
)
watch([current, points], () => {
  const put = putIn(current.value)
  const [at] = chosen.value.split('#')
  if (at !== current.value || put.length < step.value.most) chosen.value = `${current.value}#${put.length}`
})
function put(id: string, at: Point) {
  const [of, place] = id.split('#') as [string, string]
  const list = [...putIn(of)]
  const target = steps.value.find(({ id: own }) => own === of)
  if (!target || Number(place) >= target.most) return
  list[Number(place)] = at
  points.value = { ...points.value, [of]: list }
  if (list.length >= target.most && target.most <= 3) goOn()
}
/** To the next part that still needs points. */
function goOn() {
  const from = steps.value.findIndex(({ id }) => id === current.value)
  const rest = [...steps.value.slice(from + 1), ...steps.value.slice(0, from)]
  current.value = rest.find(({ id, least }) => putIn(id).length < least)?.id ?? current.value
}
const without = (id: string, count: number) =>
  (points.value = { ...points.value, [id]: putIn(id).slice(0, Math.max(0, putIn(id).length - count)) })
function choose(id: string) {
  chosen.value = id
  const [of] = id.split('#')
  if (of !== current.value && steps.value.some((one) => one.id === of)) current.value = of!
}

const taking = computed<FrontTaps | null>(() => {
  if (!size.value || state.value !== 'ready') return null
  return {
    size: size.value,
    plane: card.value ? [card.value] : [],
    ran: ran.value === 'ran',
    ...tapsOf(steps.value, points.value)
  }
})
const settled = shallowRef<SettledFront | Message | null>(null)
/** The drawing follows the finger as fast as it can be worked out. */
const { run: settle } = oneAtATime(async () => {
  const now = taking.value
  if (!now) return
  const enough = Object.values(now.rims).some((rim) => rim.length >= 3)
  settled.value = enough ? await picture.settle(props.sheet, now) : null
  if (photo.value && size.value)
    await keep({
      photo: photo.value,
      points: points.value,
      ran: ran.value === 'ran',
      outlines: found.value?.outlines ?? [],
      size: size.value
    })
})
watch(taking, () => void settle())
const found = computed(() => (settled.value && !('code' in settled.value) ? settled.value : null))
const lines = computed<PlateLine[]>(
  () => found.value?.outlines.map(({ points: of, closed }) => ({ points: of, closed, tone: 'settled' as const })) ?? []
)
const within = computed(() => {
  const sigmas = Object.values(found.value?.sigmas ?? {})
  return sigmas.length > 1 ? FRONT.within(fixDigits(NINETY * Math.max(...sigmas), 1)) : ''
})
function putIntoSheet() {
  draft.draft.value = JSON.parse(JSON.stringify(found.value!.sheet)) as typeof draft.draft.value
  emit('settled')
}
/** Links that a chain may be off and still be right. */
const FAR = 1
const chainName = (id: string) => props.sheet.chains.find((chain) => chain.id === id)?.name ?? id
</script>

<template>
  <PhotoDesk
    :src="src"
    :measuring="measuring"
    :taps="taps"
    :chosen="chosen"
    :lines="lines"
    :alt="sheet.name"
    :empty="FRONT.noPhoto"
    @put="put"
    @choose="choose">
    <template #plate>
      <slot />
      <p v-if="size && src" class="absolute inset-x-0 bottom-0 bg-plate/90 p-3 text-scribe" role="status">
        <b>{{ step.label }}.</b> {{ step.how }}
      </p>
    </template>
    <template #asked>
      <div v-if="!src">
        <p v-for="line in FRONT.howTo" :key="line" class="mb-1">{{ line }}</p>
      </div>
      <div class="flex flex-wrap gap-2">
        <TakeFile
          :class="src ? 'act' : 'act-main w-full'"
          :label="FRONT.take"
          accept="image/jpeg,image/png,image/webp,image/*"
          test-id="front-photo"
          @file="take"
          >{{ src ? FRONT.another : FRONT.take }}</TakeFile
        >
        <Field :label="FRONT.practice" silent class="min-w-0 flex-1">
          <template #default="{ control }">
            <select v-model="practising" v-bind="control" data-testid="front-practice" @change="practise">
              <option value="">{{ FRONT.practiceChoose }}</option>
              <option v-for="engine in engines" :key="engine.id" :value="engine.id">{{ engine.name }}</option>
            </select>
          </template>
        </Field>
      </div>
      <FaultNote v-if="problem">{{ problem }}</FaultNote>
    </template>
    <template v-if="src">
      <ChoiceRow
        v-model="ran"
        :label="FRONT.chainIs"
        :options="[
          { value: 'ran', label: FRONT.chainRan },
          { value: 'new', label: FRONT.chainNew }
        ]" />
      <section class="border-y border-rule py-3" :aria-label="FRONT.settled" aria-live="polite">
        <template v-if="found">
          <p v-for="one in found.closing" :key="one.chain" data-testid="front-closing">
            <span class="figure text-lg">{{
              FRONT.closes(chainName(one.chain), fixDigits(one.taken, 2), one.links)
            }}</span>
            <span v-if="one.seen !== null" class="ml-1 text-note text-faint">
              {{ FRONT.closesAlone(fixDigits(one.seen, 2)) }}</span
            >
            <span v-if="one.seen === null || Math.abs(one.seen - one.links) > FAR" class="block text-note text-renew">
              {{ FRONT.farOff }}</span
            >
          </p>
          <p v-if="within" class="text-note">{{ within }}</p>
          <p class="mt-2 label">{{ FRONT.lacks }}</p>
          <p class="text-note" data-testid="front-lacks">
            {{
              found.lacks.length
                ? found.lacks.map(({ what, part }) => FRONT.lack[what](partName(sheet, part))).join('; ')
                : FRONT.lacksNone
            }}
          </p>
          <button type="button" class="act-main mt-2 w-full" data-testid="front-put" @click="putIntoSheet">
            {{ FRONT.put }}
          </button>
          <p class="mt-1 text-note text-faint">{{ FRONT.putSays }}</p>
        </template>
        <FaultNote v-else-if="settled && 'code' in settled">{{ sayPicture(settled) }}</FaultNote>
        <p v-else class="text-faint">{{ FRONT.notYet }}</p>
        <p class="mt-2 text-note text-faint" role="status">{{ noRoom ? FRONT.noRoom : FRONT.stays }}</p>
      </section>
      <section :aria-label="FRONT.parts">
        <p class="label">{{ FRONT.parts }}</p>
        <ul class="max-h-64 overflow-y-auto border-y border-rule">
          <li v-for="one in steps" :key="one.id">
            <button
              type="button"
              class="flex min-h-11 w-full items-center gap-2 border-b border-rule/60 px-1 text-left"
              :class="one.id === current ? 'bg-paper font-bold' : ''"
              :aria-pressed="one.id === current"
              :data-testid="`step-${one.id.replace(' ', '-')}`"
              @click="current = one.id">
              <span aria-hidden="true">{{ putIn(one.id).length >= one.least ? '●' : '○' }}</span>
              <span class="min-w-0 flex-1"
                >{{ one.label
                }}<span class="block text-note font-normal text-faint">{{
                  one.says ? `${FRONT.stepNames[one.what]}, ${one.says}` : FRONT.stepNames[one.what]
                }}</span></span
              >
              <span class="text-note text-faint">{{ FRONT.tapsOf(putIn(one.id).length, one.least) }}</span>
            </button>
          </li>
        </ul>
        <div class="mt-1 flex flex-wrap gap-2">
          <button type="button" class="act" :disabled="!putIn(step.id).length" @click="without(step.id, 1)">
            {{ FRONT.takeBack }}
          </button>
          <button type="button" class="act" :disabled="!putIn(step.id).length" @click="without(step.id, 99)">
            {{ FRONT.clear }}
          </button>
        </div>
      </section>
    </template>
  </PhotoDesk>
</template>

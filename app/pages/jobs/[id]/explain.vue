<script setup lang="ts">
import { EXPLANATIONS_PAGE, oddsWords, sayCause } from '../../../../words/en'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Cause, Explanations } from '../../../../core/estimate'
import { standAs } from '../../../../core/views/verdict'
import { explainInWorker } from '../../../composables/useEstimator'
import DriveMap from '../../../components/map/DriveMap.vue'
import ChoiceRow from '../../../components/parts/ChoiceRow.vue'
import FaultNote from '../../../components/parts/FaultNote.vue'
import Field from '../../../components/parts/Field.vue'
import ExplanationTable from '../../../components/verdict/ExplanationTable.vue'
import JobBar from '../../../components/verdict/JobBar.vue'
import NextFrame from '../../../components/parts/NextFrame.vue'
import { useOpenJob } from '../../../stores/job'
import { namesOf, partName } from '../../../words'

/** What could explain the readings: the likeliest stories side by side, and any that is picked, drawn on the map. */
const job = useOpenJob()
const all = shallowRef<Explanations[] | null>(null)
const failed = ref(false)
/** Place of the train that is shown, as a choice. */
const train = ref('0')
const shown = ref(0)
/** What was picked as the only cause, as it is listed. */
const picked = ref('')
let asked = 0

const name = computed(() => namesOf(job.job.sheet))
const keyOf = (cause: Cause) => JSON.stringify(cause)
const one = computed(() => all.value?.[Number(train.value)] ?? all.value?.[0] ?? null)
const story = computed(() => one.value?.stories[shown.value] ?? one.value?.stories[0] ?? null)
const trains = computed(() =>
  (all.value ?? []).map(({ chains }, i) => ({
    value: String(i),
    label: chains.map((id) => partName(job.job.sheet, id)).join(', ')
  }))
)
const stands = computed(() => (story.value ? standAs(job.assessment, story.value) : job.assessment))

async function weigh() {
  if (!import.meta.client) return
  const ask = ++asked
  try {
    const found = await explainInWorker(job.file, picked.value ? [JSON.parse(picked.value) as Cause] : [])
    if (ask !== asked) return
    all.value = found
    failed.value = false
    shown.value = placeOfPick()
  } catch {
    if (ask === asked) failed.value = true
  }
}

/** The column of what was picked: its own, or the one that is among the likeliest anyway. */
function placeOfPick(): number {
  if (!picked.value) return 0
  const cause = JSON.parse(picked.value) as Cause
  const isIt = ({ as, of }: Cause) => as === cause.as && of === cause.of
  return Math.max(
    0,
    one.value?.stories.findIndex(
      ({ causes, picked: own }) => own || (causes.length === 1 && causes[0] !== undefined && isIt(causes[0]))
    ) ?? 0
  )
}

watch([() => job.file, picked], weigh, { immediate: true })
watch(train, () => {
  shown.value = 0
  picked.value = ''
})
</script>

<template>
  <div>
    <JobBar :says="EXPLANATIONS_PAGE.explanations" />
    <main
      class="mx-auto grid max-w-[1360px] grid-cols-[minmax(0,1fr)_400px] gap-6 px-6 py-5 max-lg:grid-cols-1 max-md:px-2">
      <div class="min-w-0">
        <h2 class="text-xl leading-snug">{{ EXPLANATIONS_PAGE.title }}</h2>
        <p class="mt-1 max-w-[72ch] text-note text-faint">{{ EXPLANATIONS_PAGE.lead }}</p>
        <ChoiceRow
          v-if="trains.length > 1"
          v-model="train"
          class="mt-3"
          :label="EXPLANATIONS_PAGE.trains"
          :options="trains" />
        <FaultNote v-if="failed" class="mt-3">{{ EXPLANATIONS_PAGE.notWorking }}</FaultNote>
        <p v-else-if="all === null" class="mt-3" role="status">{{ EXPLANATIONS_PAGE.working }}</p>
        <p v-else-if="!one" class="mt-3">{{ EXPLANATIONS_PAGE.nothingRead }}</p>
        <template v-if="one">
          <ExplanationTable v-model="shown" class="mt-4" :sheet="job.job.sheet" :explanations="one" />
          <p class="mt-2 text-note text-faint">
            {{ EXPLANATIONS_PAGE.rest(oddsWords(one.rest)) }} {{ EXPLANATIONS_PAGE.priorHeavy }}
          </p>
        </template>
      </div>
      <div class="space-y-4">
        <Field v-if="one" :label="EXPLANATIONS_PAGE.whatIf">
          <template #default="{ control }">
            <select v-model="picked" v-bind="control" data-testid="what-if">
              <option value="">{{ EXPLANATIONS_PAGE.choose }}</option>
              <option v-for="cause in one.causes" :key="keyOf(cause)" :value="keyOf(cause)">
                {{ sayCause(cause, name) }}
              </option>
            </select>
          </template>
        </Field>
        <div class="sticky top-4 h-[460px] bg-plate">
          <NextFrame>
            <DriveMap
              :sheet="job.job.sheet"
              :corrections="job.corrections"
              :assessment="stands"
              :readings="job.record.readings"
              narrow />
          </NextFrame>
        </div>
      </div>
    </main>
  </div>
</template>

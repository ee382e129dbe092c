<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import type { GoodTrace } from '../../../core/trace'
import type { KeptGoodTrace } from '../../../server/store/goodTraces'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import TakeFile from '../parts/TakeFile.vue'

/** What a trace is held against: the sheet, a trace kept as good, or a file; and how it is kept as good itself. */
const props = defineProps<{
  /** The trace that is open. */
  readByFile: File | null
  asGood: () => Promise<GoodTrace | null>
  hash: (file: File) => Promise<string>
}>()
const file = defineModel<File | null>('file', { required: true })
const kept = defineModel<KeptGoodTrace | null>('kept', { required: true })
const job = useOpenJob()
const who = useBench()

const list = shallowRef<KeptGoodTrace[]>([])
const problem = ref('')
const FILE = 'file'
const chosen = ref('')
onMounted(async () => {
  try {
    list.value = await $fetch<KeptGoodTrace[]>(`/api/jobs/${job.id}/good-traces`)
  } catch (error) {
    problem.value = shownProblem(error).message
  }
  // The vehicle's own trace tells most; a sheet without wheels takes any.
  const best = list.value.find(({ own }) => own) ?? (job.job.sheet.triggers ? undefined : list.value[0])
  if (best && !file.value) chosen.value = best.id
})
watch(chosen, (now) => {
  kept.value = list.value.find(({ id }) => id === now) ?? null
  if (now !== FILE) file.value = null
})
const sayOf = ({ own, file: name, vehicle, at }: KeptGoodTrace) =>
  own ? TRACE_PAGE.ofVehicle(name, at.slice(0, 10)) : TRACE_PAGE.ofType(vehicle, at.slice(0, 10))

const of = ref<'vehicle' | 'type'>('vehicle')
const keeping = ref(false)
const saved = ref(false)
watch([() => props.readByFile, of], () => (saved.value = false))
const canKeep = computed(() => Boolean(who.by && props.readByFile) && !saved.value && !keeping.value)

async function keepGood() {
  const taken = props.readByFile
  if (!taken) return
  keeping.value = true
  const found = await props.asGood()
  if (found) {
    const hash = await props.hash(taken)
    job.put({ type: 'goodTrace', of: of.value, file: taken.name.slice(0, 200), hash, ...found })
    saved.value = true
  }
  keeping.value = false
}
</script>

<template>
  <section class="space-y-2" :aria-label="TRACE_PAGE.against">
    <Field :label="TRACE_PAGE.against">
      <template #default="{ control }">
        <select v-model="chosen" v-bind="control" data-testid="good-choice">
          <option value="">{{ job.job.sheet.triggers ? TRACE_PAGE.asOnTheSheet : TRACE_PAGE.noneYet }}</option>
          <option v-for="one in list" :key="one.id" :value="one.id">{{ sayOf(one) }}</option>
          <option :value="FILE">{{ TRACE_PAGE.aFile }}</option>
        </select>
      </template>
    </Field>
    <TakeFile
      v-if="chosen === FILE"
      class="act w-full"
      :label="TRACE_PAGE.good"
      accept=".csv,.wav,text/csv,audio/wav"
      test-id="trace-good"
      @file="file = $event"
      >{{ file ? TRACE_PAGE.goodOf(file.name) : TRACE_PAGE.good }}</TakeFile
    >
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
    <details>
      <summary class="cursor-pointer py-2 text-note underline" data-testid="good-open">
        {{ TRACE_PAGE.keepGood }}
      </summary>
      <p class="text-note">{{ TRACE_PAGE.keepGoodSays }}</p>
      <div class="mt-1 flex gap-2">
        <select v-model="of" :aria-label="TRACE_PAGE.keepGood" data-testid="good-of">
          <option value="vehicle">{{ TRACE_PAGE.goodOfVehicle }}</option>
          <option value="type">{{ TRACE_PAGE.goodOfType }}</option>
        </select>
        <button type="button" class="act" :disabled="!canKeep" data-testid="keep-good" @click="keepGood">
          {{ TRACE_PAGE.keepGood }}
        </button>
      </div>
      <p v-if="saved" role="status">{{ TRACE_PAGE.keptGood }}</p>
    </details>
  </section>
</template>

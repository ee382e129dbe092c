<script setup lang="ts">
import { COMMON, NEW_JOB } from '../../../words/en'
import { Combobox, ComboboxInput, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { useDebounceFn } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { computed, reactive, ref, watch } from 'vue'
import type { School, SeenUsage, Usage } from '../../../core/readings'
import type { ListedSheet } from '../../../server/store/sheets'
import type { ListedVehicle, Vehicle } from '../../../server/store/vehicles'
import { shownProblem, type ShownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { SCHOOL_WORDS, USAGE_UNITS, usageWords } from '../../words'
import { useUsageEntry } from '../../composables/useUsageEntry'
import UsageField from '../books/UsageField.vue'
import ChoiceRow from '../parts/ChoiceRow.vue'
import ModalSheet from '../parts/ModalSheet.vue'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/**
 * A new job: vehicle (known or new), engine, usage, school. A known vehicle brings its engine and what it had on the
 * clock.
 */
const props = defineProps<{ vehicle?: string }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ made: [id: string] }>()

const bench = useBench()
const sheets = ref<ListedSheet[]>([])
const known = ref<ListedVehicle[]>([])
const form = reactive({
  vehicle: '',
  stand: '',
  sheet: '',
  registration: '',
  customer: '',
  phone: '',
  unit: 'km' as Usage['unit'],
  school: 'on-evidence' as School,
  complaint: ''
})
const problem = ref<ShownProblem | null>(null)
const busy = ref(false)
const whose = computed(() => bench.people.map((value) => ({ value, label: value })))
const schools = Object.entries(SCHOOL_WORDS).map(([value, { name }]) => ({ value: value as School, label: name }))
const units = Object.entries(USAGE_UNITS).map(([value, label]) => ({ value: value as Usage['unit'], label }))
const faultAt = (place: string) => problem.value?.faults.find((f) => f.place.startsWith(place))?.message ?? ''

watch(
  open,
  async (is) => {
    if (!is) return
    if (props.vehicle) form.vehicle = props.vehicle
    try {
      if (sheets.value.length === 0) sheets.value = await $fetch<ListedSheet[]>('/api/sheets')
      await look()
      if (props.vehicle) take(props.vehicle)
    } catch (error) {
      problem.value = shownProblem(error)
    }
  },
  { immediate: true }
)

/** Known vehicles with a name like what was typed. */
async function look() {
  known.value = (
    await $fetch<{ rows: ListedVehicle[] }>('/api/vehicles', { query: { search: form.vehicle.trim() } })
  ).rows.slice(0, 8)
}
const lookSoon = useDebounceFn(() => look().catch(() => (known.value = [])), 150)

function type(name: string) {
  form.vehicle = name
  void lookSoon()
}

/** Takes a name; that of a known vehicle fills in what is empty. */
function take(name: string) {
  form.vehicle = name
  const last = lastKnown.value
  if (!last) return
  form.sheet ||= sheets.value.find(({ id: sheet }) => sheet === last.sheet)?.id ?? ''
  form.unit = last.usage.unit
}
const match = computed(
  () => known.value.find((v) => v.name.toLowerCase() === form.vehicle.trim().toLowerCase()) ?? null
)
/** What the vehicle had on the clock before. */
const seen = ref<SeenUsage[]>([])
async function lookBack() {
  const { id } = match.value ?? {}
  seen.value = id ? ((await $fetch<Vehicle>(`/api/vehicles/${id}`).catch(() => null))?.seen ?? []) : []
}
watch(() => match.value?.id, lookBack)
const entry = useUsageEntry(
  () => form.unit,
  () => (match.value ? seen.value : []),
  () => new Date().toISOString()
)
const isKnown = computed(() => match.value !== null)
const lastKnown = computed(() => match.value?.last ?? null)

/** What is kept of a vehicle that comes for the first time. */
function arrives() {
  const { registration, customer, phone } = form
  return { registration, ...(customer.trim() ? { customer: { name: customer, phone } } : {}) }
}

async function make() {
  busy.value = true
  try {
    const { vehicle, stand, sheet, school, complaint, unit } = form
    const body = {
      vehicle,
      stand,
      sheet,
      school,
      complaint,
      openedBy: bench.by,
      usage: entry.usage.value ?? { value: entry.text.value, unit },
      ...(isKnown.value ? {} : arrives())
    }
    const made = await $fetch<{ id: string }>('/api/jobs', { method: 'POST', body })
    emit('made', made.id)
  } catch (error) {
    problem.value = shownProblem(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ModalSheet :open="open" :title="COMMON.newJob" width="max-w-xl" @close="open = false">
    <form class="mt-4 grid grid-cols-2 gap-4" novalidate @submit.prevent="make">
      <Field :label="NEW_JOB.vehicleOrBoat" :fault="faultAt('vehicle') ? NEW_JOB.nameTheVehicle : ''">
        <template #default="{ control }">
          <Combobox :model-value="form.vehicle" as="div" class="relative" @update:model-value="take">
            <ComboboxInput
              v-bind="control"
              maxlength="120"
              autocomplete="off"
              :display-value="() => form.vehicle"
              @change="type($event.target.value)" />
            <ComboboxOptions
              v-if="known.length && form.vehicle.trim()"
              class="absolute z-30 mt-1 w-72 border border-faint bg-sheet p-1">
              <ComboboxOption v-if="!isKnown" v-slot="{ active }" :value="form.vehicle" as="template">
                <li class="min-h-11 cursor-pointer px-3 py-2" :class="active ? 'bg-paper' : ''">
                  {{ form.vehicle }}<span class="text-faint">{{ NEW_JOB.newHere }}</span>
                </li>
              </ComboboxOption>
              <ComboboxOption v-for="one in known" :key="one.id" v-slot="{ active }" :value="one.name" as="template">
                <li class="min-h-11 cursor-pointer px-3 py-1" :class="active ? 'bg-paper' : ''">
                  {{ one.name
                  }}<span class="block text-note text-faint">{{
                    [one.registration, one.customer?.name, one.last?.engine].filter(Boolean).join(', ')
                  }}</span>
                </li>
              </ComboboxOption>
            </ComboboxOptions>
          </Combobox>
        </template>
      </Field>
      <Field v-model="form.stand" :label="NEW_JOB.stand" maxlength="60" />
      <Field :label="COMMON.engine" class="col-span-2" :fault="faultAt('sheet') ? NEW_JOB.chooseAnEngineFromThe : ''">
        <template #default="{ control }">
          <select v-model="form.sheet" v-bind="control">
            <option value="" disabled>{{ NEW_JOB.chooseItsDriveSheet }}</option>
            <option v-for="sheet in sheets" :key="sheet.id" :value="sheet.id">{{ sheet.name }}</option>
          </select>
        </template>
      </Field>
      <template v-if="form.vehicle.trim() && !isKnown">
        <Field v-model="form.registration" :label="NEW_JOB.registration" maxlength="40" />
        <Field v-model="form.customer" :label="NEW_JOB.customer" maxlength="120" autocomplete="off" />
        <Field
          v-if="form.customer.trim()"
          v-model="form.phone"
          class="col-start-2"
          :label="NEW_JOB.phone"
          type="tel"
          maxlength="60"
          autocomplete="off" />
      </template>
      <UsageField
        :entry="entry"
        :label="NEW_JOB.usage"
        :fault="faultAt('usage') ? NEW_JOB.enterANumberFrom0 : ''"
        :hint="lastKnown ? NEW_JOB.lastSeenAt(usageWords(lastKnown.usage)) : ''" />
      <ChoiceRow v-model="form.unit" :label="NEW_JOB.in" :options="units" />
      <ChoiceRow v-model="form.school" class="col-span-2" :label="NEW_JOB.judgedUnder" :options="schools" />
      <Field v-model="form.complaint" class="col-span-2" :label="COMMON.complaint" :rows="2" maxlength="4000" />
      <ChoiceRow
        v-if="!bench.by"
        v-model="bench.by"
        class="col-span-2"
        :label="COMMON.whoIsAtTheBench"
        :options="whose" />
      <FaultNote v-if="problem" class="col-span-2">{{
        faultAt('openedBy') ? NEW_JOB.chooseWhoIsAtThe : problem.message
      }}</FaultNote>
      <div class="col-span-2 flex gap-2">
        <button
          type="submit"
          class="act-main flex-1"
          :disabled="busy || (entry.question.value !== '' && !entry.sure.value)">
          {{ NEW_JOB.openTheJob }}
        </button>
        <button type="button" class="act" @click="open = false">{{ COMMON.cancel }}</button>
      </div>
    </form>
  </ModalSheet>
</template>

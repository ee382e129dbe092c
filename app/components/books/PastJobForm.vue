<script setup lang="ts">
import { COMMON, VEHICLE_BOOK } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, reactive, ref, watch } from 'vue'
import { localDay } from '../../../core/math'
import { readWritten, type UsageUnit } from '../../../core/readings'
import type { Vehicle } from '../../../server/store/vehicles'
import { useAttempt } from '../../composables/useAttempt'
import { useUsageEntry } from '../../composables/useUsageEntry'
import { useBench } from '../../stores/bench'
import { USAGE_UNITS } from '../../words'
import ChoiceRow from '../parts/ChoiceRow.vue'
import Field from '../parts/Field.vue'
import FormEnd from '../parts/FormEnd.vue'
import ModalSheet from '../parts/ModalSheet.vue'
import UsageField from './UsageField.vue'

/** What was done on a vehicle before, or elsewhere. */
const props = defineProps<{ vehicle: Vehicle; parts: readonly { id: string; name: string }[] }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ kept: [vehicle: Vehicle] }>()
const bench = useBench()
const { faults, problem, busy, attempt } = useAttempt()
const EMPTY = { doneOn: '', work: '', doneBy: '', elongation: '', renewed: [] as string[] }
const form = reactive({ ...EMPTY })
const unit = ref<UsageUnit>('km')
const entry = useUsageEntry(
  () => unit.value,
  () => props.vehicle.seen,
  () => (form.doneOn ? `${form.doneOn}T12:00:00.000Z` : new Date().toISOString())
)
const units = Object.entries(USAGE_UNITS).map(([value, label]) => ({ value: value as UsageUnit, label }))
const latest = computed(() => localDay(new Date()))
const whose = computed(() => bench.people.map((value) => ({ value, label: value })))
watch(
  open,
  (is) => {
    if (!is) return
    Object.assign(form, { ...EMPTY, renewed: [] })
    entry.text.value = ''
    unit.value = props.vehicle.seen[0]?.usage.unit ?? 'km'
    problem.value = ''
  },
  { immediate: true }
)

async function save() {
  const { doneOn, work, doneBy, renewed } = form
  const typed = form.elongation.trim()
  const percent = typed === '' ? null : (readWritten(typed)?.value ?? typed)
  const done = await attempt(async () => {
    const body = {
      by: bench.by,
      doneOn,
      work,
      doneBy,
      renewed,
      usage: entry.usage.value,
      elongation: typeof percent === 'number' ? percent / 100 : percent
    }
    emit('kept', await $fetch<Vehicle>(`/api/vehicles/${props.vehicle.id}/past`, { method: 'POST', body, retry: 0 }))
  })
  if (done) open.value = false
}
</script>

<template>
  <ModalSheet :open="open" :title="VEHICLE_BOOK.addingPast" width="max-w-xl" @close="open = false">
    <form class="mt-3 grid grid-cols-2 gap-3" novalidate data-testid="past-form" @submit.prevent="save">
      <Field v-model="form.doneOn" :label="VEHICLE_BOOK.doneOn" type="date" :max="latest" :fault="faults.doneOn" />
      <Field v-model="form.doneBy" :label="VEHICLE_BOOK.doneBy" maxlength="120" :fault="faults.doneBy" />
      <UsageField :entry="entry" :label="VEHICLE_BOOK.usage" :fault="faults.usage" />
      <ChoiceRow v-model="unit" :label="VEHICLE_BOOK.unit" :options="units" />
      <Field
        v-model="form.work"
        class="col-span-2"
        :label="VEHICLE_BOOK.work"
        :rows="2"
        maxlength="4000"
        :fault="faults.work" />
      <fieldset class="col-span-2">
        <legend class="label">{{ VEHICLE_BOOK.renewed }}</legend>
        <p v-if="parts.length === 0" class="text-note text-faint">{{ VEHICLE_BOOK.renewedNeedsSheet }}</p>
        <div class="grid grid-cols-2 gap-x-3">
          <label v-for="part in parts" :key="part.id" class="flex min-h-11 items-center gap-2">
            <input v-model="form.renewed" type="checkbox" class="size-5" :value="part.id" />{{ part.name }}
          </label>
        </div>
      </fieldset>
      <Field
        v-model="form.elongation"
        :label="VEHICLE_BOOK.elongation"
        figure
        inputmode="decimal"
        maxlength="8"
        :hint="VEHICLE_BOOK.elongationHint"
        :fault="faults.elongation" />
      <ChoiceRow
        v-if="!bench.by"
        v-model="bench.by"
        class="col-span-2"
        :label="COMMON.whoIsAtTheBench"
        :options="whose" />
      <FormEnd
        :label="VEHICLE_BOOK.save"
        :problem="problem"
        :disabled="busy || (entry.text.value.trim() !== '' && !entry.good.value)"
        @cancel="open = false" />
    </form>
  </ModalSheet>
</template>

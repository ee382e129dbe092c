<script setup lang="ts">
import { VEHICLE_FORM } from '../../../words/en'
import { $fetch } from 'ofetch'
import { reactive, ref, watch } from 'vue'
import type { ListedSheet } from '../../../server/store/sheets'
import type { Vehicle } from '../../../server/store/vehicles'
import { useAttempt } from '../../composables/useAttempt'
import Field from '../parts/Field.vue'
import FormEnd from '../parts/FormEnd.vue'
import ModalSheet from '../parts/ModalSheet.vue'
import CustomerPicker, { type PickedCustomer } from './CustomerPicker.vue'

/** What is kept of a vehicle: a new one of a customer's, or one that is changed. */
const props = defineProps<{ vehicle?: Vehicle; customer?: PickedCustomer }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ kept: [id: string] }>()
const EMPTY = { name: '', registration: '', chassis: '', model: '', note: '', sheet: '' }
const form = reactive({ ...EMPTY })
const whose = ref<PickedCustomer | null>(null)
const sheets = ref<ListedSheet[]>([])
const { faults, problem, busy, attempt } = useAttempt()
watch(
  open,
  async (is) => {
    if (!is) return
    const { name, registration, chassis, model, note, sheet, customer } = props.vehicle ?? { ...EMPTY, customer: null }
    Object.assign(form, { name, registration, chassis, model, note, sheet: sheet ?? '' })
    whose.value = customer ? { id: customer.id, name: customer.name } : (props.customer ?? null)
    await attempt(async () => (sheets.value = await $fetch<ListedSheet[]>('/api/sheets')))
  },
  { immediate: true }
)

async function save() {
  let id = props.vehicle?.id ?? ''
  const done = await attempt(async () => {
    const customer = await keptCustomer()
    const path = id ? `/api/vehicles/${id}` : '/api/vehicles'
    const body = { ...form, sheet: form.sheet || null, customer }
    ;({ id } = await $fetch<{ id: string }>(path, { method: 'POST', body, retry: 0 }))
  })
  if (!done) return
  open.value = false
  emit('kept', id)
}

/** Whose it is, kept first where they are new. */
async function keptCustomer(): Promise<string | null> {
  if (!whose.value) return null
  if (whose.value.id === null) {
    const body = { name: whose.value.name, phone: '', email: '', address: '', note: '' }
    const { id } = await $fetch<{ id: string }>('/api/customers', { method: 'POST', body, retry: 0 })
    whose.value = { id, name: whose.value.name }
  }
  return whose.value.id
}
</script>

<template>
  <ModalSheet
    :open="open"
    :title="vehicle ? VEHICLE_FORM.changing : VEHICLE_FORM.adding"
    width="max-w-xl"
    @close="open = false">
    <form class="mt-3 grid grid-cols-2 gap-3" novalidate data-testid="vehicle-form" @submit.prevent="save">
      <Field
        v-model="form.name"
        class="col-span-2"
        :label="VEHICLE_FORM.name"
        maxlength="120"
        :hint="VEHICLE_FORM.nameHint"
        :fault="faults.name" />
      <Field
        v-model="form.registration"
        :label="VEHICLE_FORM.registration"
        maxlength="40"
        autocapitalize="characters"
        :fault="faults.registration" />
      <Field
        v-model="form.chassis"
        :label="VEHICLE_FORM.chassis"
        maxlength="40"
        autocapitalize="characters"
        :fault="faults.chassis" />
      <Field v-model="form.model" :label="VEHICLE_FORM.model" maxlength="120" :fault="faults.model" />
      <Field :label="VEHICLE_FORM.sheet" :fault="faults.sheet">
        <template #default="{ control }">
          <select v-model="form.sheet" v-bind="control">
            <option value="">{{ VEHICLE_FORM.noSheet }}</option>
            <option v-for="one in sheets" :key="one.id" :value="one.id">{{ one.name }}</option>
          </select>
        </template>
      </Field>
      <CustomerPicker v-model="whose" class="col-span-2" :label="VEHICLE_FORM.customer" :fault="faults.customer" />
      <Field
        v-model="form.note"
        class="col-span-2"
        :label="VEHICLE_FORM.note"
        :rows="2"
        maxlength="2000"
        :fault="faults.note" />
      <FormEnd :label="VEHICLE_FORM.save" :problem="problem" :disabled="busy" @cancel="open = false" />
    </form>
  </ModalSheet>
</template>

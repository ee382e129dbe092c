<script setup lang="ts">
import { CUSTOMER } from '../../../words/en'
import { $fetch } from 'ofetch'
import { reactive, watch } from 'vue'
import { type CustomerFacts, type LanguageId, LANGUAGES } from '../../../core/record'
import { languageName } from '../../../words/languages'
import { useAttempt } from '../../composables/useAttempt'
import Field from '../parts/Field.vue'
import FormEnd from '../parts/FormEnd.vue'
import ModalSheet from '../parts/ModalSheet.vue'

/** What is kept of a customer: a new one, or one that is changed. */
const props = defineProps<{ customer?: CustomerFacts & { id: string } }>()
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ kept: [id: string] }>()
const EMPTY = { name: '', phone: '', email: '', address: '', note: '', language: '' as LanguageId | '' }
const form = reactive({ ...EMPTY })
const { faults, problem, busy, attempt } = useAttempt()
watch(
  open,
  (is) => {
    if (!is) return
    const { name, phone, email, address, note, language = '' } = props.customer ?? EMPTY
    Object.assign(form, { name, phone, email, address, note, language })
    problem.value = ''
    faults.value = {}
  },
  { immediate: true }
)

async function save() {
  let id = props.customer?.id ?? ''
  const done = await attempt(async () => {
    const path = id ? `/api/customers/${id}` : '/api/customers'
    ;({ id } = await $fetch<{ id: string }>(path, { method: 'POST', body: form, retry: 0 }))
  })
  if (!done) return
  open.value = false
  emit('kept', id)
}
</script>

<template>
  <ModalSheet
    :open="open"
    :title="customer ? CUSTOMER.changing : CUSTOMER.adding"
    width="max-w-xl"
    @close="open = false">
    <form class="mt-3 grid grid-cols-2 gap-3" novalidate data-testid="customer-form" @submit.prevent="save">
      <Field v-model="form.name" class="col-span-2" :label="CUSTOMER.name" maxlength="120" :fault="faults.name" />
      <Field v-model="form.phone" :label="CUSTOMER.phone" type="tel" maxlength="60" :fault="faults.phone" />
      <Field v-model="form.email" :label="CUSTOMER.email" type="email" maxlength="254" :fault="faults.email" />
      <Field
        v-model="form.address"
        class="col-span-2"
        :label="CUSTOMER.address"
        :rows="3"
        maxlength="400"
        :fault="faults.address" />
      <Field
        v-model="form.note"
        class="col-span-2"
        :label="CUSTOMER.note"
        :rows="2"
        maxlength="2000"
        :fault="faults.note" />
      <Field class="col-span-2" :label="CUSTOMER.language" :hint="CUSTOMER.languageHint">
        <template #default="{ control }">
          <select v-model="form.language" v-bind="control">
            <option value="">{{ CUSTOMER.languageOurs }}</option>
            <option v-for="one in LANGUAGES" :key="one" :value="one" :lang="one">{{ languageName(one) }}</option>
          </select>
        </template>
      </Field>
      <FormEnd :label="CUSTOMER.save" :problem="problem" :disabled="busy" @cancel="open = false" />
    </form>
  </ModalSheet>
</template>

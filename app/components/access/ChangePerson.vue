<script setup lang="ts">
import { PEOPLE, ROLE_WORDS } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, reactive, watch } from 'vue'
import { type Role, ROLES } from '../../../core/record'
import type { StaffMember } from '../../../server/store/people'
import { useAttempt } from '../../composables/useAttempt'
import { may } from '../../signedIn'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import ModalSheet from '../parts/ModalSheet.vue'

/** Changes somebody: a foreman their PIN, an owner everything. */
const person = defineModel<StaffMember | null>({ required: true })
const emit = defineEmits<{ changed: [] }>()
const form = reactive<{ name: string; role: Role; passphrase: string; pin: string }>({
  name: '',
  role: 'mechanic',
  passphrase: '',
  pin: ''
})
const { faults, problem, attempt } = useAttempt()
const owns = computed(() => may('owner'))
watch(person, (now) => {
  if (now) Object.assign(form, { name: now.name, role: now.role, passphrase: '', pin: '' })
  faults.value = {}
  problem.value = ''
})

async function change(work: (id: number) => Promise<unknown>) {
  const { id } = person.value ?? {}
  if (id === undefined || !(await attempt(() => work(id)))) return
  person.value = null
  emit('changed')
}
const post = (path: string, body: object) => $fetch(`/api/people/${path}`, { method: 'POST', body, retry: 0 })
const save = () =>
  change(async (id) => {
    const { name, role, passphrase, pin } = form
    if (pin) await post(`${id}/pin`, { pin })
    if (owns.value) await post(String(id), { name, role, ...(passphrase ? { passphrase } : {}) })
  })
const retire = (retired: boolean) => change((id) => post(String(id), { retired }))
</script>

<template>
  <ModalSheet
    :open="person !== null"
    :title="PEOPLE.changing(person?.name ?? '')"
    width="max-w-lg"
    @close="person = null">
    <form v-if="person" class="mt-3 space-y-3" novalidate data-testid="change-person" @submit.prevent="save">
      <template v-if="owns">
        <Field v-model="form.name" :label="PEOPLE.name" maxlength="40" :hint="PEOPLE.nameHint" :fault="faults.name" />
        <Field :label="PEOPLE.role" :hint="ROLE_WORDS[form.role].says">
          <template #default="{ control }">
            <select v-model="form.role" v-bind="control">
              <option v-for="role in ROLES" :key="role" :value="role">{{ ROLE_WORDS[role].name }}</option>
            </select>
          </template>
        </Field>
        <Field
          v-model="form.passphrase"
          :label="PEOPLE.passphrase"
          type="password"
          autocomplete="new-password"
          maxlength="200"
          :hint="PEOPLE.passphraseHint"
          :fault="faults.passphrase" />
      </template>
      <Field
        v-model="form.pin"
        :label="PEOPLE.pin"
        type="password"
        inputmode="numeric"
        autocomplete="off"
        maxlength="8"
        :hint="PEOPLE.pinHint"
        :fault="faults.pin" />
      <FaultNote v-if="problem">{{ problem }}</FaultNote>
      <div class="flex gap-2">
        <button type="submit" class="act-main flex-1">{{ PEOPLE.save }}</button>
        <button v-if="owns" type="button" class="act" @click="retire(!person.retired)">
          {{ person.retired ? PEOPLE.backAgain : PEOPLE.retire }}
        </button>
      </div>
      <p v-if="owns && !person.retired" class="text-note text-faint">{{ PEOPLE.retireSays }}</p>
    </form>
  </ModalSheet>
</template>

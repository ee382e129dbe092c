<script setup lang="ts">
import { ACCOUNT, PEOPLE, ROLE_WORDS } from '../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import type { StaffMember } from '../../server/store/people'
import ChangePerson from '../components/access/ChangePerson.vue'
import DeviceList from '../components/access/DeviceList.vue'
import SessionList from '../components/access/SessionList.vue'
import Caution from '../components/parts/Caution.vue'
import FaultNote from '../components/parts/FaultNote.vue'
import Field from '../components/parts/Field.vue'
import PageFrame from '../components/parts/PageFrame.vue'
import Panel from '../components/parts/Panel.vue'
import { useAttempt } from '../composables/useAttempt'
import { useMe } from '../composables/useMe'
import { mayAs } from '../signedIn'

/** Who works here and what they may, devices of the workshop, and who is signed in. */
useHead({ title: PEOPLE.peopleUmbrette })
const me = useMe()
const { data, error, refresh } = await useFetch<StaffMember[]>('/api/staff')
const changing = ref<StaffMember | null>(null)
const name = ref('')
const { problem, attempt } = useAttempt()
const owns = computed(() => mayAs(me.value, 'owner'))

const add = () =>
  attempt(async () => {
    await $fetch('/api/people', { method: 'POST', body: { name: name.value.trim() }, retry: 0 })
    name.value = ''
    await refresh()
  })

/** Whoever closes the doors has to come in through them. */
async function changed() {
  const now = await $fetch<{ open: boolean }>('/api/me')
  if (me.value?.open && !now.open) window.location.assign('/sign-in?to=/people')
  else await refresh()
}

const secrets = ({ hasPassphrase, hasPin }: StaffMember) =>
  [hasPassphrase ? PEOPLE.passphraseSet : '', hasPin ? PEOPLE.pinSet : ''].filter(Boolean).join(', ') || PEOPLE.noSecret
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <h1 class="mb-3 text-2xl font-bold">{{ PEOPLE.people }}</h1>
    <Caution v-if="me?.open" lead="" class="mb-4" data-testid="doors-open">{{
      me.demo ? PEOPLE.demo : PEOPLE.open
    }}</Caution>
    <div class="grid grid-cols-2 items-start gap-6 max-lg:grid-cols-1">
      <Panel :title="PEOPLE.works">
        <ul data-testid="staff">
          <li
            v-for="one in data"
            :key="one.id"
            class="flex min-h-12 items-center gap-2 border-t border-rule/60 py-1"
            :class="one.retired ? 'text-faint' : ''">
            <p class="flex-1">
              <b>{{ one.name }}</b>, {{ one.retired ? PEOPLE.retired : ROLE_WORDS[one.role].name
              }}<span class="block text-note text-faint">{{ secrets(one) }}</span>
            </p>
            <button type="button" class="act-bare" :aria-label="PEOPLE.changing(one.name)" @click="changing = one">
              {{ PEOPLE.change }}
            </button>
          </li>
        </ul>
        <form v-if="owns" class="mt-3 flex items-end gap-2" novalidate @submit.prevent="add">
          <Field v-model="name" class="flex-1" :label="PEOPLE.addName" maxlength="40" />
          <button type="submit" class="act" :disabled="!name.trim()">{{ PEOPLE.add }}</button>
        </form>
        <FaultNote v-if="problem">{{ problem }}</FaultNote>
      </Panel>
      <div class="space-y-6">
        <Panel :title="PEOPLE.devices"><DeviceList /></Panel>
        <Panel :title="owns ? ACCOUNT.everybodys : ACCOUNT.sessions"><SessionList /></Panel>
      </div>
    </div>
    <ChangePerson v-model="changing" @changed="changed" />
  </PageFrame>
</template>

<script setup lang="ts">
import { ACCOUNT } from '../../words/en'
import { $fetch } from 'ofetch'
import { reactive, ref } from 'vue'
import PasskeyList from '../components/access/PasskeyList.vue'
import SessionList from '../components/access/SessionList.vue'
import FaultNote from '../components/parts/FaultNote.vue'
import Field from '../components/parts/Field.vue'
import PageFrame from '../components/parts/PageFrame.vue'
import LanguagePicker from '../components/parts/LanguagePicker.vue'
import Panel from '../components/parts/Panel.vue'
import { useAttempt } from '../composables/useAttempt'

/** What one signs in with, and where one is signed in. */
useHead({ title: ACCOUNT.accountUmbrette })
const form = reactive({ current: '', passphrase: '', pin: '' })
const { faults, problem, attempt } = useAttempt()
const saved = ref(false)

async function save() {
  const { current, passphrase, pin } = form
  const body = { current, ...(passphrase ? { passphrase } : {}), ...(pin ? { pin } : {}) }
  saved.value = false
  saved.value = await attempt(() => $fetch('/api/me/secrets', { method: 'POST', body, retry: 0 }))
  if (saved.value) Object.assign(form, { current: '', passphrase: '', pin: '' })
}
</script>

<template>
  <PageFrame>
    <h1 class="mb-3 text-2xl font-bold">{{ ACCOUNT.account }}</h1>
    <div class="grid grid-cols-2 items-start gap-6 max-lg:grid-cols-1">
      <Panel :title="ACCOUNT.secrets">
        <form class="space-y-3" novalidate @submit.prevent="save">
          <Field
            v-model="form.current"
            :label="ACCOUNT.current"
            type="password"
            autocomplete="current-password"
            maxlength="200"
            :fault="faults.current" />
          <Field
            v-model="form.passphrase"
            :label="ACCOUNT.passphrase"
            type="password"
            autocomplete="new-password"
            maxlength="200"
            :hint="ACCOUNT.passphraseHint"
            :fault="faults.passphrase" />
          <Field
            v-model="form.pin"
            :label="ACCOUNT.pin"
            type="password"
            inputmode="numeric"
            autocomplete="off"
            maxlength="8"
            :hint="ACCOUNT.pinHint"
            :fault="faults.pin" />
          <button type="submit" class="act-main">{{ ACCOUNT.save }}</button>
          <p v-if="saved" role="status">{{ ACCOUNT.saved }}</p>
          <FaultNote v-if="problem">{{ problem }}</FaultNote>
        </form>
      </Panel>
      <div class="space-y-6">
        <Panel :title="ACCOUNT.passkeys"><PasskeyList /></Panel>
        <Panel :title="ACCOUNT.sessions"><SessionList /></Panel>
        <Panel :title="ACCOUNT.device"><LanguagePicker /></Panel>
      </div>
    </div>
  </PageFrame>
</template>

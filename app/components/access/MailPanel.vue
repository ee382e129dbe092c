<script setup lang="ts">
import { MAIL_FORM } from '../../../words/en'
import { $fetch } from 'ofetch'
import { reactive, ref } from 'vue'
import type { MailSettings } from '../../../core/record'
import type { SentLetter } from '../../../server/mail/standIn'
import { useAttempt } from '../../composables/useAttempt'
import Caution from '../parts/Caution.vue'
import ChoiceRow from '../parts/ChoiceRow.vue'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import Panel from '../parts/Panel.vue'
import WhenAt from '../parts/WhenAt.vue'

/** How e-mail goes out, tried with a letter; and what the stand-in took. */
type Shown = Omit<MailSettings, 'password'> & { hasPassword: boolean }
const { data } = await useFetch<Shown>('/api/mail')
const { data: letters, refresh } = await useFetch<SentLetter[]>('/api/mail/sent', { default: () => [] })
const form = reactive({
  way: 'none' as MailSettings['way'],
  host: '',
  port: '587',
  security: 'starttls' as MailSettings['security'],
  user: '',
  password: '',
  from: ''
})
const hasPassword = ref(false)
const to = ref('')
const said = ref('')
const { problem, faults, busy, attempt } = useAttempt()

function show({ hasPassword: has, port, ...shown }: Shown) {
  Object.assign(form, shown, { port: String(port), password: '' })
  hasPassword.value = has
}
if (data.value) show(data.value)

const save = () =>
  attempt(async () => {
    said.value = ''
    const { password, port, ...rest } = form
    const body = { ...rest, port: Number(port) || 0, ...(password ? { password } : {}) }
    show(await $fetch<Shown>('/api/mail', { method: 'POST', body, retry: 0 }))
    said.value = MAIL_FORM.saved
  })

const tryIt = () =>
  attempt(async () => {
    said.value = ''
    await $fetch('/api/mail/tried', { method: 'POST', body: { to: to.value.trim() }, retry: 0, timeout: 60_000 })
    said.value = MAIL_FORM.tried(to.value.trim())
    await refresh()
  })
</script>

<template>
  <Panel :title="MAIL_FORM.title" data-testid="mail">
    <p class="text-note text-faint">{{ MAIL_FORM.says }}</p>
    <div class="mt-3 grid grid-cols-2 gap-6 max-lg:grid-cols-1">
      <form class="space-y-3" novalidate @submit.prevent="save">
        <ChoiceRow v-model="form.way" :label="MAIL_FORM.way" :options="MAIL_FORM.ways" />
        <template v-if="form.way === 'smtp'">
          <div class="grid grid-cols-[1fr_7rem] gap-3">
            <Field v-model="form.host" :label="MAIL_FORM.host" maxlength="253" :fault="faults.host" />
            <Field v-model="form.port" :label="MAIL_FORM.port" inputmode="numeric" :fault="faults.port" />
          </div>
          <ChoiceRow v-model="form.security" :label="MAIL_FORM.security" :options="MAIL_FORM.securities" />
          <Caution v-if="form.security === 'none'">{{ MAIL_FORM.openWarning }}</Caution>
          <div class="grid grid-cols-2 gap-3">
            <Field
              v-model="form.user"
              :label="MAIL_FORM.user"
              maxlength="254"
              autocomplete="off"
              :fault="faults.user" />
            <Field
              v-model="form.password"
              type="password"
              autocomplete="new-password"
              maxlength="1000"
              :label="MAIL_FORM.password"
              :hint="hasPassword ? MAIL_FORM.passwordKept : ''"
              :fault="faults.password" />
          </div>
          <Field v-model="form.from" type="email" maxlength="254" :label="MAIL_FORM.from" :fault="faults.from" />
        </template>
        <button type="submit" class="act" :disabled="busy">{{ MAIL_FORM.save }}</button>
      </form>
      <form v-if="form.way !== 'none'" class="space-y-3" novalidate @submit.prevent="tryIt">
        <Field v-model="to" type="email" maxlength="254" :label="MAIL_FORM.tryTo" :fault="faults.to" />
        <button type="submit" class="act" :disabled="busy || !to.trim()">{{ MAIL_FORM.try }}</button>
      </form>
    </div>
    <p v-if="said" role="status" class="mt-3" data-testid="mail-said">{{ said }}</p>
    <FaultNote v-if="problem" class="mt-3">{{ problem }}</FaultNote>
    <div v-if="form.way === 'stand-in'" class="mt-4">
      <h3 class="font-bold">{{ MAIL_FORM.sent }}</h3>
      <ul data-testid="letters">
        <li v-for="letter in letters" :key="letter.at" class="border-t border-rule/60 py-2">
          <details>
            <summary class="flex min-h-11 flex-wrap items-center gap-3">
              <b>{{ letter.subject }}</b><span>{{ letter.to }}</span
              ><span class="ml-auto text-note text-faint"><WhenAt :at="letter.at" /></span>
            </summary>
            <p class="whitespace-pre-wrap break-words">{{ letter.text }}</p>
          </details>
        </li>
      </ul>
      <p v-if="!letters.length" class="text-note text-faint">{{ MAIL_FORM.nothing }}</p>
    </div>
  </Panel>
</template>

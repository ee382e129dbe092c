<script setup lang="ts">
import { SIGN_IN } from '../../words/en'
import { $fetch } from 'ofetch'
import { computed, onMounted, reactive, ref } from 'vue'
import type { Me } from '../../server/store/sessions'
import FaultNote from '../components/parts/FaultNote.vue'
import Field from '../components/parts/Field.vue'
import LanguagePicker from '../components/parts/LanguagePicker.vue'
import PinPad from '../components/parts/PinPad.vue'
import { useAttempt } from '../composables/useAttempt'
import { useAwake } from '../composables/useAwake'
import { useMe } from '../composables/useMe'
import { bringBack } from '../leaving'
import { knowsPasskeys, signInByPasskey } from '../passkeys'
import { signedIn } from '../signedIn'

/** Where people come in: on a device of the workshop with a PIN, anywhere with a passphrase. */
definePageMeta({ layout: 'bare' })
useHead({ title: SIGN_IN.signInUmbrette })
const me = useMe()
const awake = useAwake()
const people = computed(() => me.value?.people ?? [])
const chosen = ref<{ id: number; name: string } | null>(null)
const typed = reactive({ name: '', passphrase: '' })
const byPassphrase = ref(people.value.length === 0)
const { problem, attempt } = useAttempt()
const busy = ref(false)
const passkeys = ref(false)

const signIn = (credentials: object) =>
  comeIn(() => $fetch('/api/session', { method: 'POST', body: credentials, retry: 0 }))

async function comeIn(show: () => Promise<unknown>) {
  busy.value = true
  // Once in, it stays busy until the page that they were going to stands.
  busy.value = await attempt(async () => {
    await show()
    signedIn.value = await $fetch<Me>('/api/me')
    await bringBack()
    window.location.assign(to)
  })
}

/** Where they were going: a page of ours. */
function wanted(): string {
  const to = String(useRoute().query.to ?? '/')
  return /^\/(?![/\\])/.test(to) ? to : '/'
}
const to = wanted()
onMounted(() => {
  passkeys.value = knowsPasskeys()
  if (me.value?.open || me.value?.person) window.location.replace(to)
})
</script>

<template>
  <main class="mx-auto flex min-h-dvh max-w-2xl flex-col justify-center gap-5 px-6 py-8" :inert="!awake">
    <p class="text-lead text-faint">{{ me?.workshop }}</p>
    <h1 class="text-2xl font-bold">{{ byPassphrase ? SIGN_IN.signIn : SIGN_IN.whoTakesOver }}</h1>
    <p v-if="!me" role="alert">{{ SIGN_IN.serverAway }}</p>
    <template v-if="!byPassphrase">
      <p>{{ SIGN_IN.onDevice(me?.device?.name ?? '') }}</p>
      <div class="flex flex-wrap gap-8">
        <ul class="grid w-64 content-start gap-2" data-testid="who-takes-over">
          <li v-for="person in people" :key="person.id">
            <button
              type="button"
              class="act min-h-14 w-full text-left text-lg"
              :aria-pressed="chosen?.id === person.id"
              :class="chosen?.id === person.id ? 'border-brass font-bold' : ''"
              @click="chosen = person">
              {{ person.name }}
            </button>
          </li>
        </ul>
        <PinPad
          v-if="chosen"
          :key="chosen.id"
          :label="SIGN_IN.pinOf(chosen.name)"
          :busy="busy"
          @done="(pin) => signIn({ person: chosen?.id, pin })" />
      </div>
      <button type="button" class="act-bare self-start" @click="byPassphrase = true">
        {{ SIGN_IN.withPassphrase }}
      </button>
    </template>
    <form v-else class="max-w-sm space-y-3" novalidate @submit.prevent="signIn({ ...typed })">
      <p v-if="me?.device">{{ SIGN_IN.noPins }}</p>
      <Field v-model="typed.name" :label="SIGN_IN.name" autocomplete="username" maxlength="80" />
      <Field
        v-model="typed.passphrase"
        :label="SIGN_IN.passphrase"
        type="password"
        autocomplete="current-password"
        maxlength="200" />
      <button type="submit" class="act-main w-full" :disabled="busy">{{ SIGN_IN.signIn }}</button>
      <button v-if="passkeys" type="button" class="act w-full" :disabled="busy" @click="comeIn(signInByPasskey)">
        {{ SIGN_IN.withPasskey }}
      </button>
      <button v-if="people.length" type="button" class="act-bare" @click="byPassphrase = false">
        {{ SIGN_IN.whoTakesOver }}
      </button>
    </form>
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
    <p class="text-note text-faint">{{ SIGN_IN.forgotten }}</p>
    <LanguagePicker class="max-w-sm" />
  </main>
</template>

<script setup lang="ts">
import { ACCOUNT } from '../../../words/en'
import { $fetch } from 'ofetch'
import { onMounted, reactive, ref } from 'vue'
import type { ListedPasskey } from '../../../server/store/passkeys'
import { useAttempt } from '../../composables/useAttempt'
import { addPasskey, knowsPasskeys } from '../../passkeys'
import { signedIn } from '../../signedIn'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import WhenAt from '../parts/WhenAt.vue'

/** Passkeys that one signs in with on devices of one's own. */
const passkeys = ref<ListedPasskey[]>([])
const known = ref(true)
const form = reactive({ name: '', current: '' })
const { faults, problem, busy, attempt } = useAttempt()

onMounted(() => {
  known.value = knowsPasskeys() && !signedIn.value?.device
  void attempt(async () => (passkeys.value = await $fetch<ListedPasskey[]>('/api/me/passkeys')))
})
async function add() {
  const done = await attempt(async () => (passkeys.value = await addPasskey(form.name, form.current)))
  if (done) Object.assign(form, { name: '', current: '' })
}
const takeOut = (id: string) =>
  attempt(async () => {
    passkeys.value = await $fetch<ListedPasskey[]>(`/api/me/passkeys/${id}/removed`, { method: 'POST', body: {} })
  })
</script>

<template>
  <p class="mb-2 text-note text-faint">{{ ACCOUNT.passkeysSay }}</p>
  <ul data-testid="passkeys">
    <li v-for="one in passkeys" :key="one.id" class="flex min-h-12 items-center gap-2 border-t border-rule/60 py-1">
      <p class="flex-1">
        <b>{{ one.name }}</b>
        <span class="block text-note text-faint">
          {{ ACCOUNT.addedAt }} <WhenAt :at="one.madeAt" />,
          <template v-if="one.seenAt">{{ ACCOUNT.lastUsed }} <WhenAt :at="one.seenAt" /></template>
          <template v-else>{{ ACCOUNT.neverUsed }}</template>
        </span>
      </p>
      <button type="button" class="act-bare" @click="takeOut(one.id)">{{ ACCOUNT.takeOut }}</button>
    </li>
  </ul>
  <p v-if="passkeys.length === 0" class="text-note text-faint">{{ ACCOUNT.noPasskeys }}</p>
  <form v-if="known" class="mt-3 space-y-3" novalidate @submit.prevent="add">
    <Field v-model="form.name" :label="ACCOUNT.passkeyName" maxlength="40" autocomplete="off" :fault="faults.name" />
    <Field
      v-model="form.current"
      :label="ACCOUNT.passkeyCurrent"
      type="password"
      autocomplete="current-password"
      maxlength="200"
      :fault="faults.current" />
    <button type="submit" class="act" :disabled="busy">{{ ACCOUNT.addPasskey }}</button>
  </form>
  <p v-else class="mt-3 text-note">{{ ACCOUNT.noPasskeyHere }}</p>
  <FaultNote v-if="problem">{{ problem }}</FaultNote>
</template>

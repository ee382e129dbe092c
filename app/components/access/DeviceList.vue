<script setup lang="ts">
import { PEOPLE } from '../../../words/en'
import { useIntervalFn } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref } from 'vue'
import type { ListedDevice } from '../../../server/store/devices'
import { workshopOrigin } from '../../address'
import { later } from '../../later'
import { useAttempt } from '../../composables/useAttempt'
import { may } from '../../signedIn'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import WhenAt from '../parts/WhenAt.vue'

/** Devices of the workshop: one is paired by the code that is shown for two minutes, or taken out. */
const QrCode = later(() => import('../parts/QrCode.vue'))
const devices = ref<ListedDevice[]>([])
const name = ref('')
const offer = ref<{ name: string; code: string; endsAt: number; before: number } | null>(null)
const now = ref(Date.now())
const { problem, attempt } = useAttempt()
const paired = ref('')
const seconds = computed(() => Math.max(0, Math.ceil(((offer.value?.endsAt ?? 0) - now.value) / 1000)))
const address = computed(() => (offer.value ? `${workshopOrigin()}/pair/${offer.value.code}` : ''))
const mayTakeOut = computed(() => may('owner'))

const refresh = async () => {
  devices.value = await $fetch<ListedDevice[]>('/api/devices')
}
const show = () =>
  attempt(async () => {
    paired.value = ''
    const called = name.value.trim()
    const { code, endsAt } = await $fetch<{ code: string; endsAt: string }>('/api/devices/pairings', {
      method: 'POST',
      body: { name: called }
    })
    now.value = Date.now()
    offer.value = { name: called, code, endsAt: Date.parse(endsAt), before: devices.value.length }
    name.value = ''
    await refresh()
  })
const takeOut = (id: string) =>
  attempt(async () => {
    await $fetch(`/api/devices/${id}/removed`, { method: 'POST', body: {} })
    await refresh()
  })

useIntervalFn(async () => {
  now.value = Date.now()
  const open = offer.value
  if (!open || seconds.value === 0) return
  await attempt(refresh)
  if (devices.value.length <= open.before) return
  paired.value = open.name
  offer.value = null
}, 1000)
onMounted(() => void attempt(refresh))
</script>

<template>
  <p class="text-note text-faint">{{ PEOPLE.devicesSays }}</p>
  <ul class="mt-2" data-testid="devices">
    <li v-for="one in devices" :key="one.id" class="flex min-h-12 items-center gap-2 border-t border-rule/60 py-1">
      <p class="flex-1">
        <b>{{ one.name }}</b><span class="block text-note text-faint"
          >{{ PEOPLE.pairedBy(one.pairedBy) }} <WhenAt :at="one.pairedAt" />, {{ PEOPLE.lastSeen }}
          <WhenAt :at="one.seenAt"
        /></span>
      </p>
      <button v-if="mayTakeOut" type="button" class="act-bare" @click="takeOut(one.id)">{{ PEOPLE.takeOut }}</button>
    </li>
  </ul>
  <p v-if="devices.length === 0" class="text-note text-faint">{{ PEOPLE.noDevices }}</p>
  <form class="mt-3 flex items-end gap-2" novalidate @submit.prevent="show">
    <Field v-model="name" class="flex-1" :label="PEOPLE.deviceName" maxlength="40" />
    <button type="submit" class="act" :disabled="!name.trim()">{{ PEOPLE.showCode }}</button>
  </form>
  <div v-if="offer" class="mt-3 border-l-4 border-brass pl-3" data-testid="pairing">
    <template v-if="seconds > 0">
      <p class="text-note">{{ PEOPLE.scan }}</p>
      <QrCode class="mt-2" :text="address" :label="PEOPLE.qrOf" />
      <p class="mt-2 break-all text-note">{{ address.replace(/[^/]+$/, '') }}</p>
      <p>
        {{ PEOPLE.code }} <b class="figure tracking-widest" data-testid="pairing-code">{{ offer.code }}</b>
      </p>
      <p class="text-note" role="timer">{{ PEOPLE.secondsLeft(seconds) }}</p>
    </template>
    <p v-else>{{ PEOPLE.over }}</p>
  </div>
  <p v-if="paired" class="mt-2" role="status">{{ PEOPLE.paired(paired) }}</p>
  <FaultNote v-if="problem">{{ problem }}</FaultNote>
</template>

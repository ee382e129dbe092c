<script setup lang="ts">
import { PAIR } from '../../../words/en'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import FaultNote from '../../components/parts/FaultNote.vue'
import Field from '../../components/parts/Field.vue'
import { useAttempt } from '../../composables/useAttempt'
import { useAwake } from '../../composables/useAwake'

/** Makes this device one of the workshop's, by the code that another shows. */
definePageMeta({ layout: 'bare' })
useHead({ title: PAIR.pairUmbrette })
const awake = useAwake()
const code = ref(String(useRoute().params.code ?? ''))
const { problem, attempt } = useAttempt()
const paired = ref('')

const pair = () =>
  attempt(async () => {
    const body = { code: code.value }
    paired.value = (await $fetch<{ name: string }>('/api/devices/pair', { method: 'POST', body, retry: 0 })).name
    window.location.assign('/sign-in')
  })
</script>

<template>
  <main class="mx-auto flex min-h-dvh max-w-sm flex-col justify-center gap-4 px-6 py-8" :inert="!awake">
    <h1 class="text-2xl font-bold">{{ PAIR.pair }}</h1>
    <p>{{ PAIR.says }}</p>
    <form class="space-y-3" novalidate @submit.prevent="pair">
      <Field v-model="code" :label="PAIR.code" figure autocapitalize="characters" autocomplete="off" maxlength="20" />
      <button type="submit" class="act-main min-h-14 w-full" :disabled="!code || paired !== ''">{{ PAIR.pair }}</button>
    </form>
    <p v-if="paired" role="status">{{ PAIR.paired(paired) }}</p>
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
  </main>
</template>

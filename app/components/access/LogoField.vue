<script setup lang="ts">
import { SETTINGS } from '../../../words/en'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import { useAttempt } from '../../composables/useAttempt'
import FaultNote from '../parts/FaultNote.vue'
import TakeFile from '../parts/TakeFile.vue'

/** The logo at the head of reports: kept as soon as it is chosen. */
const asked = ref(0)
const there = ref(true)
const { problem, attempt } = useAttempt()

const keep = (picture: File | null) =>
  attempt(async () => {
    const { logo } = await $fetch<{ logo: boolean }>('/api/workshop/logo', {
      method: 'POST',
      body: picture ?? '',
      headers: { 'content-type': 'application/octet-stream' },
      retry: 0
    })
    there.value = logo
    asked.value++
  })
</script>

<template>
  <div>
    <p class="label">{{ SETTINGS.logo }}</p>
    <ClientOnly>
      <img
        v-if="there"
        :src="`/api/workshop/logo?${asked}`"
        :alt="SETTINGS.logo"
        class="mt-1 max-h-20 bg-white p-1"
        data-testid="logo"
        @error="there = false" />
    </ClientOnly>
    <div class="mt-1 flex gap-2">
      <TakeFile
        class="act"
        :label="SETTINGS.logo"
        accept="image/jpeg,image/png,image/webp"
        test-id="logo-input"
        @file="keep"
        >{{ SETTINGS.chooseLogo }}</TakeFile
      >
      <button v-if="there" type="button" class="act-bare" @click="keep(null)">{{ SETTINGS.noLogo }}</button>
    </div>
    <p class="text-note text-faint">{{ SETTINGS.logoHint }}</p>
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
  </div>
</template>

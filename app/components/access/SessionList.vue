<script setup lang="ts">
import { ACCOUNT } from '../../../words/en'
import { $fetch } from 'ofetch'
import { onMounted, ref } from 'vue'
import type { ListedSession } from '../../../server/store/sessions'
import { useAttempt } from '../../composables/useAttempt'
import FaultNote from '../parts/FaultNote.vue'
import WhenAt from '../parts/WhenAt.vue'

/** Who is signed in where; each can be ended. */
const sessions = ref<ListedSession[]>([])
const { problem, attempt } = useAttempt()
const refresh = async () => {
  sessions.value = await $fetch<ListedSession[]>('/api/sessions')
}
const end = (id: string) =>
  attempt(async () => {
    await $fetch(`/api/sessions/${id}/end`, { method: 'POST', body: {} })
    await refresh()
  })
onMounted(() => void attempt(refresh))
</script>

<template>
  <ul data-testid="sessions">
    <li v-for="one in sessions" :key="one.id" class="flex min-h-12 items-center gap-2 border-t border-rule/60 py-1">
      <p class="flex-1">
        <b>{{ one.person }}</b>, {{ one.device === null ? ACCOUNT.ownDevice : ACCOUNT.onDevice(one.device) }}
        <span class="block text-note text-faint"
          >{{ ACCOUNT.since }} <WhenAt :at="one.madeAt" />, {{ ACCOUNT.lastSeen }} <WhenAt :at="one.seenAt"
        /></span>
      </p>
      <span v-if="one.mine" class="text-note">{{ ACCOUNT.thisOne }}</span>
      <button v-else type="button" class="act-bare" @click="end(one.id)">{{ ACCOUNT.end }}</button>
    </li>
  </ul>
  <p v-if="sessions.length === 0" class="text-note text-faint">{{ ACCOUNT.none }}</p>
  <FaultNote v-if="problem">{{ problem }}</FaultNote>
</template>

<script setup lang="ts">
import { SAVE_STATE } from '../../../words/en'
import { computed } from 'vue'
import { deviceFull } from '../../composables/useDeviceList'
import { useOutbox } from '../../stores/outbox'
import { away } from '../../offline/register'
import { usePhotoOutbox } from '../../stores/photoOutbox'

/** Whether everything entered, photos too, has reached the workshop's database. */
const outbox = useOutbox()
const photos = usePhotoOutbox()
const state = computed(() => {
  if (outbox.state === 'waiting' || (photos.waiting.length > 0 && photos.unreachable)) return 'waiting'
  return outbox.state === 'sending' || photos.waiting.length > 0 ? 'sending' : 'saved'
})
const words = computed(() => {
  if (deviceFull.value) return SAVE_STATE.thisDeviceHasNoRoom
  const n = outbox.waiting.length + photos.waiting.length
  if (state.value === 'saved') return away.value ? SAVE_STATE.away : SAVE_STATE.allSaved
  if (state.value === 'sending') return SAVE_STATE.saving
  return SAVE_STATE.onThisDevice(n)
})

/** What the server said of it, as short as it stands beside everything else. */
const why = computed(() => outbox.why.split('. ')[0]!.replace(/\.?$/, outbox.why ? '.' : ''))

function sendNow() {
  void Promise.all([outbox.flush(), photos.flush()])
}
</script>

<template>
  <ClientOnly>
    <span class="flex items-center gap-2" role="status" data-testid="save-state" :data-state="state">
      <svg width="12" height="12" viewBox="-6 -6 12 12" aria-hidden="true">
        <circle v-if="state === 'saved'" r="5" fill="currentColor" />
        <circle
          v-else
          r="4.300"
          fill="none"
          stroke="currentColor"
          stroke-width="1.500"
          :stroke-dasharray="state === 'waiting' ? '3 2' : ''" />
      </svg>
      <span class="max-w-72 leading-tight" :class="deviceFull ? 'font-bold text-renew' : ''"
        >{{ words
        }}<span v-if="state === 'waiting' && why" class="block" data-testid="why-waiting">{{ why }}</span></span
      >
      <button v-if="state === 'waiting'" type="button" class="act-bare shrink-0 whitespace-nowrap" @click="sendNow">
        {{ SAVE_STATE.sendNow }}
      </button>
    </span>
  </ClientOnly>
</template>

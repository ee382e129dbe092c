<script setup lang="ts">
import { computed } from 'vue'
import { useOutbox } from '../../stores/outbox'

/** Whether everything entered has reached the workshop's database. */
const outbox = useOutbox()
const words = computed(() => {
  const n = outbox.waiting.length
  if (outbox.state === 'saved') return 'All saved'
  if (outbox.state === 'sending') return 'Saving …'
  return `${n} ${n === 1 ? 'entry waits' : 'entries wait'} on this device`
})
</script>

<template>
  <ClientOnly>
    <span class="flex items-center gap-2" role="status" data-testid="save-state" :data-state="outbox.state">
      <svg width="12" height="12" viewBox="-6 -6 12 12" aria-hidden="true">
        <circle v-if="outbox.state === 'saved'" r="5" fill="currentColor" />
        <circle v-else r="4.300" fill="none" stroke="currentColor" stroke-width="1.500" :stroke-dasharray="outbox.state === 'waiting' ? '3 2' : ''" />
      </svg>
      {{ words }}
      <button v-if="outbox.state === 'waiting'" type="button" class="act-bare" @click="outbox.flush()">Send now</button>
    </span>
  </ClientOnly>
</template>

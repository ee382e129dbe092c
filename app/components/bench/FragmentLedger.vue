<script setup lang="ts">
import { computed, ref } from 'vue'
import type { StandingReading } from '../../../core/record'
import { useJob } from '../../stores/job'
import { partName } from '../../words'
import WhenAt from '../parts/WhenAt.vue'
import FaultNote from '../parts/FaultNote.vue'
import Caution from '../parts/Caution.vue'

/** Every missing piece, and what became of it: found, or accepted in writing by name, before the engine is closed. */
const job = useJob()

const entries = computed(() =>
  job.record.readings.filter((r) => ['piece-missing', 'pieces-found', 'pieces-accepted'].includes(r.finding ?? ''))
)
const sum = (finding: string) =>
  entries.value.filter((r) => r.finding === finding).reduce((pieces, r) => pieces + (r.count ?? 0), 0)
const missing = computed(() => sum('piece-missing'))
const open = computed(() => missing.value - sum('pieces-found') - sum('pieces-accepted'))
const count = ref(1)
const note = ref('')
const fault = ref('')

function words({ finding, target, count: pieces }: StandingReading): string {
  if (finding === 'piece-missing') return `${pieces} missing from ${partName(job.job!.sheet, target!).toLowerCase()}`
  return `${pieces} ${finding === 'pieces-found' ? 'found' : 'accepted in writing'}`
}

function settle(finding: 'pieces-found' | 'pieces-accepted') {
  fault.value = note.value.trim()
    ? ''
    : finding === 'pieces-found'
      ? 'Write where it was found.'
      : 'Write why it may stay: this stands under your name.'
  if (fault.value) return
  job.put({
    type: 'read',
    reading: { kind: 'condition', target: 'engine', finding, count: count.value, note: note.value.trim() }
  })
  note.value = ''
  count.value = 1
}
</script>

<template>
  <section aria-label="Fragment ledger" class="space-y-2" data-testid="fragments">
    <p class="text-lg" :class="open > 0 ? 'font-bold' : ''" role="status">
      <template v-if="missing === 0">No piece is missing, as far as has been noted on the rails.</template>
      <template v-else-if="open > 0"
        ><span class="figure">{{ open }}</span> of {{ missing }} {{ missing === 1 ? 'piece is' : 'pieces are' }} not
        accounted for. The engine is not closed.</template
      >
      <template v-else>All {{ missing }} accounted for.</template>
    </p>
    <ul class="divide-y divide-rule border-y border-rule">
      <li v-for="entry in entries" :key="entry.id" class="flex items-center justify-between gap-2 py-1">
        <span
          >{{ words(entry) }}<span v-if="entry.note">: {{ entry.note }}</span>
          <span class="text-note text-faint">{{ entry.by }}, <WhenAt :at="entry.at" /></span
        ></span>
        <button type="button" class="act-bare" @click="job.put({ type: 'undo', act: entry.id })">Take back</button>
      </li>
    </ul>
    <div v-if="open > 0" class="border-l-4 border-brass bg-paper p-2">
      <div class="flex items-center gap-2">
        <button type="button" class="act" aria-label="One piece fewer" @click="count = Math.max(1, count - 1)">
          −
        </button>
        <output class="figure min-w-8 text-center text-2xl">{{ count }}</output>
        <button type="button" class="act" aria-label="One piece more" @click="count = Math.min(open, count + 1)">
          +
        </button>
        <input
          v-model="note"
          class="field"
          aria-label="Where found, or why accepted"
          placeholder="Where found, or why accepted"
          maxlength="4000"
          :aria-invalid="!!fault" />
      </div>
      <FaultNote v-if="fault" class="mt-1">{{ fault }}</FaultNote>
      <div class="mt-2 flex gap-2">
        <button type="button" class="act flex-1" @click="settle('pieces-found')">Found</button
        ><button type="button" class="act flex-1" @click="settle('pieces-accepted')">Accepted in writing</button>
      </div>
    </div>
    <Caution
      >A piece left behind turns up in the pickup or a sprocket. Look in pan, pickup, and behind the crank
      sprocket.</Caution
    >
  </section>
</template>

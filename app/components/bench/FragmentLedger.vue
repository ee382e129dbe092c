<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, FINDING_FORM, FINDING_SAYS, FRAGMENT_LEDGER } from '../../../words/en'
import { computed, ref } from 'vue'
import type { StandingReading } from '../../../core/record'
import { useOpenJob } from '../../stores/job'
import { choicesOf, partName } from '../../words'
import ChoiceRow from '../parts/ChoiceRow.vue'
import WhenAt from '../parts/WhenAt.vue'
import FaultNote from '../parts/FaultNote.vue'
import Caution from '../parts/Caution.vue'

/** Every missing piece, and what became of it: found, or accepted in writing by name, before the engine is closed. */
const job = useOpenJob()

const entries = computed(() =>
  job.record.readings.filter((r) => ['piece-missing', 'pieces-found', 'pieces-accepted'].includes(r.finding ?? ''))
)
const sum = (finding: string) =>
  entries.value.filter((r) => r.finding === finding).reduce((pieces, r) => pieces + (r.count ?? 0), 0)
const missing = computed(() => sum('piece-missing'))
const open = computed(() => missing.value - sum('pieces-found') - sum('pieces-accepted'))
const count = ref(1)
const note = ref('')
const where = ref<'' | NonNullable<StandingReading['where']>>('')
const fault = ref('')

function words({ finding, target, count: pieces = 0 }: StandingReading): string {
  if (finding === 'piece-missing')
    return FRAGMENT_LEDGER.missingFrom(pieces, midSentence(partName(job.job.sheet, target ?? '')))
  return FRAGMENT_LEDGER.accountedFor(pieces, finding === 'pieces-found')
}

function settle(finding: 'pieces-found' | 'pieces-accepted') {
  const said =
    note.value.trim() !== '' || (finding === 'pieces-found' && where.value !== '' && where.value !== 'elsewhere')
  fault.value = said
    ? ''
    : finding === 'pieces-found'
      ? FRAGMENT_LEDGER.writeWhereItWasFound
      : FRAGMENT_LEDGER.writeWhyItMayStay
  if (fault.value) return
  job.put({
    type: 'read',
    reading: {
      kind: 'condition',
      target: 'engine',
      finding,
      count: count.value,
      ...(finding === 'pieces-found' && where.value ? { where: where.value } : {}),
      ...(note.value.trim() ? { note: note.value.trim() } : {})
    }
  })
  note.value = ''
  where.value = ''
  count.value = 1
}
</script>

<template>
  <section :aria-label="FRAGMENT_LEDGER.fragmentLedger" class="space-y-2" data-testid="fragments">
    <p class="text-lg" :class="open > 0 ? 'font-bold' : ''" role="status">
      <template v-if="missing === 0">{{ FRAGMENT_LEDGER.noPieceIsMissingAs }}</template>
      <template v-else-if="open > 0"
        ><span class="figure">{{ open }}</span> {{ FRAGMENT_LEDGER.ofNotAccountedForThe(missing) }}</template
      >
      <template v-else>{{ FRAGMENT_LEDGER.allAccountedFor(missing) }}</template>
    </p>
    <ul class="divide-y divide-rule border-y border-rule">
      <li v-for="entry in entries" :key="entry.id" class="flex items-center justify-between gap-2 py-1">
        <span
          >{{ words(entry) }}<template v-if="entry.where">, {{ FINDING_SAYS.places[entry.where] }}</template
          ><span v-if="entry.note">: {{ entry.note }}</span
          >{{ ' ' }}<span class="text-note text-faint">{{ entry.by }}, <WhenAt :at="entry.at" /></span
        ></span>
        <button type="button" class="act-bare" @click="job.put({ type: 'undo', act: entry.id })">
          {{ COMMON.takeBack }}
        </button>
      </li>
    </ul>
    <div v-if="open > 0" class="border-l-4 border-brass bg-paper p-2">
      <div class="flex items-center gap-2">
        <button
          type="button"
          class="act"
          :aria-label="FRAGMENT_LEDGER.onePieceFewer"
          @click="count = Math.max(1, count - 1)">
          −
        </button>
        <output class="figure min-w-8 text-center text-2xl">{{ count }}</output>
        <button
          type="button"
          class="act"
          :aria-label="FRAGMENT_LEDGER.onePieceMore"
          @click="count = Math.min(open, count + 1)">
          +
        </button>
        <input
          v-model="note"
          class="field"
          :aria-label="FRAGMENT_LEDGER.whereFoundOrWhyAccepted"
          :placeholder="FRAGMENT_LEDGER.whereFoundOrWhyAccepted"
          maxlength="4000"
          :aria-invalid="!!fault" />
      </div>
      <ChoiceRow v-model="where" class="mt-2" :label="FINDING_FORM.where" :options="choicesOf(FINDING_SAYS.places)" />
      <FaultNote v-if="fault" class="mt-1">{{ fault }}</FaultNote>
      <div class="mt-2 flex gap-2">
        <button type="button" class="act flex-1" @click="settle('pieces-found')">
          {{ FRAGMENT_LEDGER.found }}</button><button
          type="button"
          class="act flex-1"
          @click="settle('pieces-accepted')">
          {{ FRAGMENT_LEDGER.acceptedInWriting }}
        </button>
      </div>
    </div>
    <Caution>{{ FRAGMENT_LEDGER.aPieceLeftBehindTurns }}</Caution>
  </section>
</template>

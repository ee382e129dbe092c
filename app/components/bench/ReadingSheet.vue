<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { colouredLinksReturn } from '../../../core/drive/recurrence'
import type { StandingReading } from '../../../core/job/acts'
import type { Slot } from '../../../core/job/slots'
import { limitFor } from '../../../core/sheet/limits'
import type { LimitValue } from '../../../core/sheet/types'
import { READING_KINDS } from '../../../core/readings/kinds'
import type { Reading } from '../../../core/readings/types'
import { useBench } from '../../stores/bench'
import { useJob } from '../../stores/job'
import { useOutbox } from '../../stores/outbox'
import { partName, readingWords } from '../../words'
import CallMark from '../parts/CallMark.vue'
import { draftOf, emptyDraft, type Draft } from './draft'
import { pastReadings } from './past'
import ReadingForm from './ReadingForm.vue'
import ReadingList from './ReadingList.vue'

/** The sheet for what is being read: what the part's limit is, what was read, and a form for the next figure. */
const props = defineProps<{ slot: Slot }>()
const job = useJob()
const bench = useBench()
const outbox = useOutbox()

/** Figures typed but not saved yet, so that a reload or another part in between loses nothing. */
const drafts = useLocalStorage<Record<string, Draft>>('umbrette.drafts', {})
const correcting = ref<StandingReading | null>(null)
const aside = ref<HTMLElement | null>(null)
const sheet = computed(() => job.job!.sheet)
const draftKey = computed(() => `${job.id}:${props.slot.key}${correcting.value ? `:${correcting.value.id}` : ''}`)
const draft = computed({
  get: () => drafts.value[draftKey.value] ?? (correcting.value ? draftOf(props.slot, correcting.value) : emptyDraft(props.slot)),
  set: (value) => (drafts.value = { ...drafts.value, [draftKey.value]: value })
})
const standing = computed(() => job.readingsOf(props.slot))
const past = computed(() => pastReadings(job.acts, job.record, props.slot))
const call = computed(() => job.assessment?.calls.find((c) => c.part === props.slot.part) ?? null)
/** Everything read at the same place: a cam and its phaser, a tensioner and its pad, all runs of a chain. */
const siblings = computed(() => job.slots.filter((s) => placeOf(s) === placeOf(props.slot)))
const placeOf = ({ part, kind }: Slot) => `${sheet.value.phasers.find((p) => p.id === part)?.sprocket ?? part}${kind === 'linkCount' ? ' runs' : ''}`
const refused = computed(() => outbox.refused.filter(({ jobId }) => jobId === job.id))
const limit = computed<LimitValue | null>(() => {
  const { part, kind } = props.slot
  if (kind === 'extension') return sheet.value.tensioners.find((t) => t.id === part)?.limit ?? null
  if (kind === 'phaserPlay') return sheet.value.phasers.find((p) => p.id === part)?.playLimit ?? null
  if (kind === 'linkCount') return null
  return limitFor(sheet.value, kind === 'chainLength' || kind === 'chainCompare' ? 'elongation' : kind, part)
})
const expected = computed(() => {
  const { target, kind } = props.slot
  const chain = sheet.value.chains.find((c) => c.id === target.chain)
  if (kind === 'linkCount') return `${chain!.counts.find((c) => c.from === target.from && c.to === target.to)!.links} links on the sheet. Coloured links stand at the marks again after ${colouredLinksReturn(sheet.value, chain!)} crank turns.`
  if (kind === 'chainLength') return `New: ${(target.links! * chain!.pitch).toFixed(2)} mm over ${target.links} links.`
  return ''
})

watch(() => props.slot.key, () => {
  correcting.value = null
  if (aside.value) aside.value.scrollTop = 0
})

async function save(reading: Reading) {
  const key = draftKey.value
  const saved = job.put({ type: 'read', reading, ...(correcting.value ? { supersedes: correcting.value.id } : {}) })
  correcting.value = null
  const { [key]: _done, ...rest } = drafts.value
  drafts.value = rest
  await saved.settled
  job.selected = job.worthTaking(props.slot.key)?.key ?? job.selected
}

function name(slot: Slot): string {
  if (slot.target.from) return `Links ${partName(sheet.value, slot.target.from)} to ${partName(sheet.value, slot.target.to!)}`.replaceAll(' sprocket', '')
  return READING_KINDS[slot.kind].name
}
</script>

<template>
  <aside ref="aside" class="flex flex-col gap-3 overflow-y-auto border-l border-rule bg-sheet p-4" aria-label="Reading sheet">
    <section v-for="{ act, problem } in refused" :key="act.id" class="border-2 border-renew p-2" role="alert">
      <p class="font-bold">Not taken: {{ act.type === 'read' ? readingWords(act.reading) : 'an entry' }}</p>
      <p>{{ problem.message }}</p>
      <button type="button" class="act-bare" @click="outbox.dismiss(act.id)">Understood</button>
    </section>
    <header>
      <div class="flex items-start justify-between gap-2">
        <h2 class="text-xl leading-tight font-bold">{{ partName(sheet, slot.part) }}</h2>
        <CallMark v-if="call" :call="call.call" />
      </div>
      <p v-if="limit" class="text-[13px] text-faint">Limit <span class="figure">{{ limit.value }}</span> {{ limit.unit }} ({{ limit.source }})</p>
      <p v-else-if="slot.kind !== 'linkCount'" class="text-[13px] text-faint">The sheet has no limit for this: the maker's manual decides.</p>
    </header>
    <div v-if="siblings.length > 1" class="flex flex-wrap gap-1" role="group" aria-label="What is read here">
      <button v-for="sibling in siblings" :key="sibling.key" type="button" class="min-h-11 border-b-2 px-2 text-left text-[13px]" :class="sibling.key === slot.key ? 'border-brass font-bold' : 'border-transparent text-faint'" :aria-pressed="sibling.key === slot.key" @click="job.selected = sibling.key">{{ name(sibling) }}</button>
    </div>
    <p v-if="expected" class="text-[13px]">{{ expected }}</p>
    <ReadingList
      v-if="standing.length || past.length" :kind="slot.kind" :standing="standing" :past="past" :assessment="job.assessment!"
      @correct="correcting = $event" @undo="job.put({ type: 'undo', act: $event })" @restore="job.put({ type: 'undo', act: $event })"
    />
    <ReadingForm v-model:draft="draft" v-model:by="bench.by" :sheet="sheet" :slot="slot" :correcting="correcting" :people="bench.people" @save="save" @cancel="correcting = null" />
  </aside>
</template>

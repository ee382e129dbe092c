<script setup lang="ts">
import { COMMON, PART_PANEL, sayPartName } from '../../../words/en'
import { computed, ref, watch } from 'vue'
import { ENGINE_GROUPS, fills, findingGroups, partsAt, SLACK_GROUP, type Slot } from '../../../core/views/bench'
import { compileSheet, partKindOf } from '../../../core/sheet'
import { useOpenJob } from '../../stores/job'
import { useOutbox } from '../../stores/outbox'
import { KIND_NAMES, kindWords, partName, readingWords } from '../../words'
import CallMark from '../parts/CallMark.vue'
import ScrollStrip from '../parts/ScrollStrip.vue'
import FigurePane from './FigurePane.vue'
import { later } from '../../later'

const AboutPart = later(() => import('./AboutPart.vue'))
const FindingKeys = later(() => import('./FindingKeys.vue'))
const EngineFacts = later(() => import('./EngineFacts.vue'))
const FragmentLedger = later(() => import('./FragmentLedger.vue'))
const PhotoPane = later(() => import('./PhotoPane.vue'))

/** The panel for the part that was touched: its figures, findings, photos and what is known of it. */
const job = useOpenJob()
const outbox = useOutbox()
const panel = ref<HTMLElement | null>(null)

const sheet = computed(() => job.job.sheet)
const parts = computed(() => compileSheet(sheet.value))
const part = computed(() => job.slot?.part ?? job.part)
const kind = computed(() => partKindOf(sheet.value, part.value) ?? 'engine')
const call = computed(() => job.assessment?.calls.find((c) => c.part === part.value) ?? null)
const chips = computed(() => partsAt(sheet.value, job.station))
/** What is read at the same place: a cam and its phaser, a tensioner and its pad, all runs of a chain. */
const figures = computed(() =>
  job.slots.filter((slot) =>
    job.slot?.kind === 'linkCount'
      ? slot.kind === 'linkCount' && slot.part === part.value
      : placeOf(slot) === placeOfPart(part.value) && (slot.kind !== 'linkCount' || job.station === 3)
  )
)
const placeOf = ({ part: of }: Slot) => placeOfPart(of)
const placeOfPart = (of: string) => parts.value.phasers.get(of)?.sprocket ?? of
const refused = computed(() => outbox.refused.filter(({ jobId }) => jobId === job.id))
const groups = computed(() => {
  if (part.value === 'engine') return ENGINE_GROUPS[job.station] ?? []
  return job.station === 3 && kind.value === 'chain' ? [SLACK_GROUP] : findingGroups(kind.value)
})
/** At a cam with a phaser both are looked at. */
const phaser = computed(() => (kind.value === 'sprocket' ? parts.value.phaserOn(part.value) : null))
const found = computed(
  () => job.record.readings.filter((r) => r.kind === 'condition' && r.target === part.value).length
)
const photos = computed(() => job.record.photos.filter((p) => p.part === part.value).length)
const sides = computed(() => [
  {
    side: 'findings' as const,
    label: part.value === 'engine' ? PART_PANEL.knownAndFound : PART_PANEL.found,
    count: found.value
  },
  { side: 'photos' as const, label: PART_PANEL.photos, count: photos.value },
  ...(['engine', 'oil', 'fasteners'].includes(part.value)
    ? []
    : [{ side: 'about' as const, label: PART_PANEL.fittedPart, count: 0 }])
])

watch([part, () => job.selected, () => job.side], () => {
  if (panel.value) panel.value.scrollTop = 0
})

function slotName(slot: Slot): string {
  const { from, to } = slot.target
  if (from && to) return COMMON.to(partName(sheet.value, from), partName(sheet.value, to)).replaceAll(' sprocket', '')
  return KIND_NAMES[slot.kind]
}

function touch(chip: string) {
  const mine = job.slots.filter((slot) => slot.station === job.station && slot.part === chip)
  const next = mine.find((slot) => job.readingsOf(slot).length === 0) ?? mine[0]
  if (next) job.openSlot(next)
  else job.openSide(chip, 'findings')
}
const doneAt = (chip: string) =>
  job.record.readings.some((r) =>
    r.kind === 'condition'
      ? r.target === chip
      : job.slots.some((s) => s.part === chip && s.station === job.station && fills(s, r))
  )
</script>

<template>
  <aside
    ref="panel"
    class="[contain:layout_paint] flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-sheet p-4"
    :aria-label="PART_PANEL.readingSheet">
    <section v-for="{ act, problem } in refused" :key="act.id" class="border-2 border-renew p-2" role="alert">
      <p class="font-bold">
        {{
          PART_PANEL.notTaken(
            act.type === 'read' ? `${kindWords(sheet, act.reading)} ${readingWords(act.reading)}` : PART_PANEL.anEntry
          )
        }}
      </p>
      <p>{{ problem.message }}</p>
      <button type="button" class="act-bare" @click="outbox.dismiss(act.id)">{{ COMMON.understood }}</button>
    </section>
    <ScrollStrip v-if="chips.length > 1" :label="PART_PANEL.partsAtThisStation" :chosen="part">
      <button
        v-for="chip in chips"
        :key="chip"
        type="button"
        class="min-h-11 shrink-0 rounded-edge border px-2 text-note leading-tight"
        :class="chip === part ? 'border-brass bg-paper font-bold' : 'border-rule'"
        :aria-pressed="chip === part"
        @click="touch(chip)">
        {{ doneAt(chip) ? '● ' : '' }}{{ partName(sheet, chip) }}
      </button>
    </ScrollStrip>
    <header class="flex flex-wrap items-start justify-between gap-2">
      <h2 class="text-xl leading-tight font-bold">{{ partName(sheet, part) }}</h2>
      <CallMark v-if="call" :call="call.call" />
    </header>
    <ScrollStrip :label="PART_PANEL.whatIsReadHere" :chosen="`${part} ${job.selected} ${job.side}`">
      <button
        v-for="slot in figures"
        :key="slot.key"
        type="button"
        class="min-h-11 shrink-0 border-b-2 px-2 text-left text-note"
        :class="slot.key === job.selected ? 'border-brass font-bold' : 'border-transparent text-faint'"
        :aria-pressed="slot.key === job.selected"
        @click="job.openSlot(slot)">
        {{ slotName(slot) }}
      </button>
      <button
        v-for="{ side, label, count } in sides"
        :key="side"
        type="button"
        class="min-h-11 shrink-0 border-b-2 px-2 text-left text-note"
        :class="!job.slot && side === job.side ? 'border-brass font-bold' : 'border-transparent text-faint'"
        :aria-pressed="!job.slot && side === job.side"
        :data-testid="`side-${side}`"
        @click="job.openSide(part, side)">
        {{ label }}<span v-if="count" class="figure ml-1">{{ count }}</span>
      </button>
    </ScrollStrip>
    <FigurePane v-if="job.slot" :slot="job.slot" />
    <template v-else-if="job.side === 'findings'">
      <EngineFacts v-if="part === 'engine'" />
      <FindingKeys :target="part" :groups="groups" />
      <template v-if="phaser"
        ><h3 class="font-bold">{{ sayPartName(phaser.name) }}</h3>
        <FindingKeys :target="phaser.id" :groups="findingGroups('phaser')"
      /></template>
      <FragmentLedger v-if="job.station === 5" />
    </template>
    <PhotoPane v-else-if="job.side === 'photos'" :part="part" />
    <AboutPart v-else :part="part" />
  </aside>
</template>

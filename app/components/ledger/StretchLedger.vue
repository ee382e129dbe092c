<script setup lang="ts">
import { COMMON, STRETCH_LEDGER, sayLeftOut } from '../../../words/en'
import { computed } from 'vue'
import type { Assessment } from '../../../core/paths'
import type { StandingReading } from '../../../core/record'
import { NINETY } from '../../../core/math'
import type { NextReading } from '../../../core/estimate'
import { readsSlot, type Slot } from '../../../core/views/bench'
import { type DriveSheet, limitFor } from '../../../core/sheet'
import { fixDigits, oddsWords, partName, readingTitle, readingWords } from '../../words'
import BudgetBar from './BudgetBar.vue'
import CamDial from './CamDial.vue'
import StretchLine from './StretchLine.vue'
import FaultNote from '../parts/FaultNote.vue'

/** The estimate as it stands: stretch, cams, the extension's budget, what changed, and what to read next. */
const props = defineProps<{
  sheet: DriveSheet
  assessment: Assessment
  readings: readonly StandingReading[]
  change: string
  failed: string
  next: Slot | null
  canTakeBack: boolean
}>()
const emit = defineEmits<{ take: [slot: Slot]; reading: [reading: StandingReading]; takeBack: [] }>()

const byId = computed(() => new Map(props.readings.map((reading) => [reading.id, reading])))
const odd = computed(() =>
  props.assessment.readings.filter((r) => r.atOdds).flatMap(({ id }) => byId.value.get(id) ?? [])
)
/** Readings left out, those of one reason together. */
const left = computed(() => {
  const byMessage = new Map<string, StandingReading[]>()
  for (const fault of props.assessment.faults) {
    const reading = byId.value.get(fault.id)
    const message = sayLeftOut(fault)
    if (reading) byMessage.set(message, [...(byMessage.get(message) ?? []), reading])
  }
  return [...byMessage]
})
/** How far it would narrow the stretch; nothing where it would not. */
function narrowing({ narrows: { from, to } }: NextReading) {
  const [now, then] = [fixDigits(100 * NINETY * from, 2), fixDigits(100 * NINETY * to, 2)]
  return from > 0 && to < from && now !== then ? STRETCH_LEDGER.wouldNarrowTheStretchFrom(now, then) : ''
}

/** The call it would settle most of, where one is open. */
function settling({ settles }: NextReading) {
  const most = [...settles].sort((a, b) => b.cut - a.cut)[0]
  return most
    ? STRETCH_LEDGER.takesOfTheDoubtAbout(oddsWords(most.cut), partName(props.sheet, most.part).toLowerCase())
    : ''
}

const gain = computed(() => {
  const { next, assessment } = props
  const found = next && assessment.next.find((one) => readsSlot(one, next))
  return found
    ? [narrowing(found), settling(found), STRETCH_LEDGER.aboutMin(found.minutes)].filter(Boolean).join(', ')
    : ''
})
</script>

<template>
  <section
    class="[contain:layout_paint] grid max-md:!grid-cols-1 max-md:divide-x-0 max-md:divide-y grid-cols-[minmax(220px,1fr)_minmax(250px,1.1fr)_minmax(280px,1.3fr)_minmax(220px,1fr)] divide-x divide-rule border-t-2 border-ink bg-sheet [&>div]:min-w-0 [&>div]:px-4 [&>div]:py-2"
    :aria-label="STRETCH_LEDGER.stretchLedger">
    <div>
      <h3 class="label">{{ STRETCH_LEDGER.stretch }}</h3>
      <template v-for="chain in sheet.chains" :key="chain.id">
        <StretchLine
          :name="chain.name"
          :elongation="assessment.chains[chain.id]!.elongation"
          :limit="limitFor(sheet, 'elongation', chain.id)"
          :compact="sheet.chains.length > 1"
          :named="sheet.chains.length > 1" />
      </template>
    </div>
    <div>
      <h3 class="label">{{ STRETCH_LEDGER.camsAgainstTheirMarks }}</h3>
      <div class="mt-1 grid gap-1" :class="Object.keys(assessment.cams).length > 2 ? 'grid-cols-2' : ''">
        <CamDial
          v-for="(cam, id) in assessment.cams"
          :key="id"
          :name="
            partName(sheet, String(id)).replace(
              Object.keys(assessment.cams).length > 2 ? STRETCH_LEDGER.camSprocket : ' sprocket',
              ''
            )
          "
          :cam="cam"
          :limit="limitFor(sheet, 'camLag', String(id))?.value ?? null" />
      </div>
    </div>
    <div>
      <h3 class="label">{{ STRETCH_LEDGER.extensionAndWhatItIs }}</h3>
      <BudgetBar
        v-for="tensioner in sheet.tensioners"
        :brief="sheet.tensioners.length > 1"
        :key="tensioner.id"
        :sheet="sheet"
        :tensioner="tensioner"
        :estimate="assessment.tensioners[tensioner.id]!" />
    </div>
    <div class="relative min-h-40">
      <div class="absolute inset-0 flex flex-col gap-1 overflow-y-auto px-4 py-2">
        <FaultNote v-if="failed">{{ failed }}</FaultNote>
        <p v-if="change" class="text-note leading-tight" role="status" data-testid="change">
          {{ change }}
          <button
            v-if="canTakeBack"
            type="button"
            class="act-bare -my-3"
            data-testid="take-back"
            @click="emit('takeBack')">
            {{ COMMON.takeBack }}
          </button>
        </p>
        <p v-for="reading in odd" :key="reading.id" class="text-note">
          <button
            type="button"
            class="act-bare text-left font-bold text-renew"
            data-testid="at-odds"
            @click="emit('reading', reading)">
            {{ STRETCH_LEDGER.atOddsWithTheRest(readingWords(reading), reading.by) }}
          </button>
        </p>
        <p v-for="[message, ofOne] in left" :key="message" class="text-note leading-tight">
          <button
            v-for="reading in ofOne"
            :key="reading.id"
            type="button"
            class="act-bare text-left font-bold text-renew"
            data-testid="left-out"
            @click="emit('reading', reading)">
            {{ STRETCH_LEDGER.leftOut(readingWords(reading)) }}
          </button>
          {{ message }}
        </p>
        <template v-if="next">
          <h3 class="label">{{ STRETCH_LEDGER.worthReadingNext }}</h3>
          <button
            type="button"
            class="min-h-11 border-l-4 border-brass bg-paper px-2 py-1 text-left leading-tight"
            data-testid="next"
            @click="emit('take', next)">
            <span class="block font-bold">{{ readingTitle(sheet, next) }}</span>
            <span v-if="gain" class="block text-note text-faint">{{ gain }}</span>
          </button>
        </template>
        <p v-else class="text-note">{{ STRETCH_LEDGER.everythingThatCanBeRead }}</p>
      </div>
    </div>
  </section>
</template>

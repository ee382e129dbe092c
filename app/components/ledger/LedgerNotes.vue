<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, METHOD_WORDS, STRETCH_LEDGER, sayCorrected, sayLeftOut, saySlip } from '../../../words/en'
import { computed } from 'vue'
import { isReading, type NextReading, slipOf } from '../../../core/estimate'
import type { Assessment } from '../../../core/paths'
import type { StandingReading } from '../../../core/record'
import { type Reading, READING_KINDS } from '../../../core/readings'
import type { DriveSheet } from '../../../core/sheet'
import { readsSlot, type Slot, takenOtherWay } from '../../../core/views/bench'
import { money, readingTitle, readingWords } from '../../words'
import FaultNote from '../parts/FaultNote.vue'
import UntoldQuestion from './UntoldQuestion.vue'

/** What the ledger says besides its figures: what changed, which readings look wrong and how, and what to read next. */
const props = defineProps<{
  sheet: DriveSheet
  assessment: Assessment
  readings: readonly StandingReading[]
  change: string
  failed: string
  next: Slot | null
  canTakeBack: boolean
}>()
const emit = defineEmits<{
  take: [slot: Slot]
  reading: [reading: StandingReading]
  correct: [reading: StandingReading, as: Reading]
  takeBack: []
  explain: []
}>()

const byId = computed(() => new Map(props.readings.map((reading) => [reading.id, reading])))
/** Readings that are wrong most likely, with what they look like and the other way to enter them. */
const odd = computed(() =>
  props.assessment.readings
    .filter(({ atOdds }) => atOdds)
    .flatMap((said) => {
      const reading = byId.value.get(said.id)
      const slip = reading ? slipOf(reading, said) : null
      return reading ? [{ reading, slip, other: slip && takenOtherWay(reading, slip) }] : []
    })
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
/** What saves most per minute, where it is a question. */
const question = computed(() => {
  const [first] = props.assessment.next
  return first && !isReading(first) && (first.worth ?? 0) > 0 ? first : null
})
const advised = computed(
  () => props.assessment.next.find((one) => props.next && isReading(one) && readsSlot(one, props.next)) ?? null
)
const enough = computed(() => props.assessment.decision?.enough ?? false)

/** `3 min, worth about 40`. */
function worthWords({ minutes, worth = 0, kind, method, again }: NextReading): string {
  const currency = props.assessment.decision?.currency ?? null
  const saved = currency === null ? STRETCH_LEDGER.inUnits(worth.toFixed(2)) : money(worth, currency)
  // What is read in one way only needs no word for it.
  const several = kind !== 'question' && Object.keys(READING_KINDS[kind].methods).length > 1
  const by = several && method ? METHOD_WORDS[method as keyof typeof METHOD_WORDS] : undefined
  return [
    ...(by ? [STRETCH_LEDGER.by(midSentence(by))] : []),
    ...(again ? [STRETCH_LEDGER.onceMore] : []),
    STRETCH_LEDGER.minutesAndWorth(minutes, saved)
  ].join(', ')
}
</script>

<template>
  <div class="flex flex-col gap-1">
    <FaultNote v-if="failed">{{ failed }}</FaultNote>
    <p v-if="change" class="text-note leading-tight" role="status" data-testid="change">
      {{ change }}
      <button v-if="canTakeBack" type="button" class="act-bare -my-3" data-testid="take-back" @click="emit('takeBack')">
        {{ COMMON.takeBack }}
      </button>
    </p>
    <div v-for="{ reading, slip, other } in odd" :key="reading.id" class="text-note leading-tight" data-testid="slip">
      <button
        type="button"
        class="act-bare text-left font-bold text-renew"
        data-testid="at-odds"
        @click="emit('reading', reading)">
        {{ slip ? saySlip(slip) : STRETCH_LEDGER.atOddsWithTheRest(readingWords(reading), reading.by) }}
      </button>
      <p class="flex flex-wrap gap-x-3">
        <button
          v-if="slip && other"
          type="button"
          class="act-bare"
          data-testid="other-way"
          @click="emit('correct', reading, other)">
          {{ STRETCH_LEDGER.enterAs(sayCorrected(slip)) }}
        </button>
        <button type="button" class="act-bare" data-testid="read-again" @click="emit('reading', reading)">
          {{ STRETCH_LEDGER.readAgain }}
        </button>
      </p>
    </div>
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
    <template v-if="question">
      <h3 class="label">{{ STRETCH_LEDGER.worthReadingNext }}</h3>
      <UntoldQuestion :question="question.target" />
    </template>
    <template v-else-if="next">
      <h3 class="label">{{ enough ? STRETCH_LEDGER.enoughIsKnown : STRETCH_LEDGER.worthReadingNext }}</h3>
      <p v-if="enough" class="text-note" data-testid="enough">{{ STRETCH_LEDGER.nothingIsWorthIts }}</p>
      <button
        type="button"
        class="min-h-11 border-l-4 border-brass bg-paper px-2 py-1 text-left leading-tight"
        data-testid="next"
        @click="emit('take', next)">
        <span class="block font-bold">{{ readingTitle(sheet, next) }}</span>
        <span v-if="advised" class="block text-note text-faint">{{ worthWords(advised) }}</span>
      </button>
    </template>
    <p v-else class="text-note">{{ STRETCH_LEDGER.everythingThatCanBeRead }}</p>
    <button
      v-if="assessment.readings.length"
      type="button"
      class="act-bare -my-1 self-start text-note"
      data-testid="explain"
      @click="emit('explain')">
      {{ STRETCH_LEDGER.explain }}
    </button>
  </div>
</template>

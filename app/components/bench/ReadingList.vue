<script setup lang="ts">
import { COMMON, READING_LIST, sayCorrected, sayLeftOut, saySlip } from '../../../words/en'
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { computed } from 'vue'
import type { Assessment } from '../../../core/paths'
import type { ActOf, StandingReading } from '../../../core/record'
import { READING_KINDS, type NumericKind, type Reading } from '../../../core/readings'
import { slipOf } from '../../../core/estimate'
import { takenOtherWay } from '../../../core/views/bench'
import { isLength, lengthFigure } from '../../units'
import { fixDigits, howWords, readingWords } from '../../words'
import WhenAt from '../parts/WhenAt.vue'

/** The readings of one slot that stand, and below them what was superseded or taken back. */
export interface PastReading {
  act: ActOf<'read'>
  /** The correction that took its place, or the taking back. */
  because: ActOf<'read'> | ActOf<'undo'>
}

const props = defineProps<{
  kind: NumericKind
  standing: readonly StandingReading[]
  past: readonly PastReading[]
  assessment: Assessment
  clashes?: ReadonlyMap<string, readonly string[]>
  /** Ways to the photos that readings were measured on, by reading. */
  origins?: ReadonlyMap<string, { to: string; of: 'photo' | 'trace' }>
}>()
const emit = defineEmits<{
  correct: [reading: StandingReading]
  enterAs: [reading: StandingReading, as: Reading]
  undo: [actId: string]
  restore: [undoId: string]
}>()

/** Who else corrected the same reading without seeing this one. */
function clashing({ id }: StandingReading): string {
  const ids = [...(props.clashes?.values() ?? [])].find((list) => list.includes(id)) ?? []
  const others = props.standing
    .filter((reading) => ids.includes(reading.id) && reading.id !== id)
    .map((reading) => READING_LIST.by(readingWords(reading), reading.by))
  return others.length > 0 ? READING_LIST.correctedAtTheSameTime(others) : ''
}

const estimates = computed(() => new Map(props.assessment.readings.map((one) => [one.id, one])))
const estimateOf = ({ id }: StandingReading) => estimates.value.get(id) ?? null

/** What a reading looks like that is probably wrong, and the other way to enter it. */
function slip(reading: StandingReading) {
  const found = slipOf(reading, estimateOf(reading))
  return (
    found && {
      said: READING_LIST.readItAgain(saySlip(found)),
      enter: READING_LIST.enterAs(sayCorrected(found)),
      other: takenOtherWay(reading, found)
    }
  )
}
function enterOtherWay(reading: StandingReading) {
  const other = slip(reading)?.other
  if (other) emit('enterAs', reading, other)
}

/** Digits of the slot's kind: all readings of a list are of one. */
const digits = computed(() => READING_KINDS[props.kind].digits)
const shown = (value: number, places: number) =>
  isLength(props.kind) ? lengthFigure(value, places) : fixDigits(value, places)
</script>

<template>
  <div>
    <ul class="divide-y divide-rule border-y border-rule">
      <li v-for="reading in standing" :key="reading.id" class="py-2" data-testid="reading">
        <div class="flex items-baseline justify-between gap-2">
          <span class="figure text-xl">{{ readingWords(reading) }}</span>
          <span v-if="estimateOf(reading)?.sigma" class="figure font-normal text-faint"
            >±{{ shown(estimateOf(reading)?.sigma ?? 0, digits === 1 ? 1 : 2) }}</span
          >
        </div>
        <p class="text-note text-faint">
          {{
            reading.gap !== undefined
              ? READING_LIST.gap
              : reading.value === undefined
                ? READING_LIST.notches
                : howWords(reading)
          }}, {{ reading.by }},
          <WhenAt :at="reading.at" />
        </p>
        <p v-if="clashing(reading)" class="mt-1 font-bold text-renew" role="status" data-testid="clash">
          {{ clashing(reading) }}
        </p>
        <p v-if="reading.note" class="break-words text-note">{{ reading.note }}</p>
        <template v-if="estimateOf(reading)?.atOdds">
          <p class="mt-1 font-bold text-renew" data-testid="looks-wrong">
            {{
              slip(reading)?.said ?? READING_LIST.atOddsWithTheRest(shown(estimateOf(reading)?.predicted ?? 0, digits))
            }}
          </p>
          <button
            v-if="slip(reading)?.other"
            type="button"
            class="act-bare"
            data-testid="enter-as"
            @click="enterOtherWay(reading)">
            {{ slip(reading)?.enter }}
          </button>
        </template>
        <p
          v-for="fault in assessment.faults.filter((f) => f.id === reading.id)"
          :key="fault.code"
          class="mt-1 font-bold text-renew">
          {{ READING_LIST.leftOut(sayLeftOut(fault)) }}
        </p>
        <div class="flex gap-3">
          <button type="button" class="act-bare" @click="emit('correct', reading)">{{ READING_LIST.correct }}</button>
          <button type="button" class="act-bare" @click="emit('undo', reading.id)">{{ COMMON.takeBack }}</button>
          <NuxtLink
            v-if="origins?.get(reading.id)"
            class="act-bare self-center"
            :to="origins.get(reading.id)!.to"
            :prefetch="false"
            :data-testid="`on-${origins.get(reading.id)!.of}`"
            >{{ READING_LIST.origins[origins.get(reading.id)!.of] }}</NuxtLink
          >
        </div>
      </li>
    </ul>
    <Disclosure v-if="past.length" v-slot="{ open }">
      <DisclosureButton class="act-bare text-note">{{ READING_LIST.earlier(open, past.length) }}</DisclosureButton>
      <DisclosurePanel as="ul" class="divide-y divide-rule border-l-2 border-rule pl-2">
        <li v-for="{ act, because } in past" :key="act.id" class="py-1 text-note" data-testid="past-reading">
          <s class="figure font-normal">{{ readingWords(act.reading) }}</s>, {{ act.by }}, <WhenAt :at="act.at" />
          <p class="text-faint">
            {{ READING_LIST.gone(because.type === 'undo', because.by) }}
            <WhenAt :at="because.at" />
          </p>
          <button v-if="because.type === 'undo'" type="button" class="act-bare" @click="emit('restore', because.id)">
            {{ READING_LIST.putBack }}
          </button>
        </li>
      </DisclosurePanel>
    </Disclosure>
  </div>
</template>

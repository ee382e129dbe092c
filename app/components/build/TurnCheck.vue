<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, READINGS, TURN_CHECK, namesOf, sayLeftOut, sayMeaning } from '../../../words/en'
import { ref } from 'vue'
import { type Check, type ExpectedReading, readingExpected, type Round } from '../../../core/views/buildup'
import { impossibleReading, type Reading } from '../../../core/readings'
import type { DriveSheet } from '../../../core/sheet'
import { fromStored, lengthFigure, toStored, units } from '../../units'
import { fixDigits, partName } from '../../words'
import { numberOf } from '../bench/draft'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'
import FigureTable from '../parts/FigureTable.vue'

/** What should be read on the rebuilt drive, beside what is: as set, and again after two full turns by hand. */
defineProps<{ sheet: DriveSheet; checks: readonly Check[]; mayRead: boolean }>()
const emit = defineEmits<{ read: [round: Round, reading: Reading] }>()
const faults = ref<Record<string, string>>({})
const ROUNDS: readonly { round: Round; title: string }[] = [
  { round: 'set', title: TURN_CHECK.asSet },
  { round: 'turned', title: TURN_CHECK.afterTwoTurns }
]

const keyOf = ({ kind, target, from, to }: ExpectedReading) => [kind, target, from, to].filter(Boolean).join(' ')
const nameOf = (sheet: DriveSheet, { kind, target, from = '', to = '' }: ExpectedReading) =>
  kind === 'linkCount' ? COMMON.to(partName(sheet, from), partName(sheet, to)) : partName(sheet, target)
function wanted({ kind, value, within, notches }: ExpectedReading): string {
  if (kind === 'linkCount') return TURN_CHECK.links(value)
  if (kind === 'extension')
    return `${lengthFigure(value, 1)} ±${lengthFigure(within, 1)} ${units.value.length}${notches === undefined ? '' : `, ${READINGS.notches(notches)}`}`
  return `${fixDigits(value, 1)}° ±${fixDigits(within, 1)}°`
}
const shown = (reading: Reading | null) =>
  reading?.value === undefined
    ? ''
    : String(reading.kind === 'extension' ? fromStored('extension', reading.value) : reading.value)

function take(sheet: DriveSheet, { expected }: Check, round: Round, typed: string) {
  const key = `${round} ${keyOf(expected)}`
  if (typed.trim() === '') return
  const value = numberOf(typed)
  const stored = value !== null && expected.kind === 'extension' ? toStored('extension', value) : value
  const reading = stored === null ? null : readingExpected(expected, stored)
  const fault = reading ? impossibleReading(sheet, reading) : TURN_CHECK.expectedANumber
  faults.value = { ...faults.value, [key]: fault === null ? '' : typeof fault === 'string' ? fault : sayLeftOut(fault) }
  if (reading && !fault) emit('read', round, reading)
}
</script>

<template>
  <Panel :title="TURN_CHECK.setAndCheck" data-testid="turn-check">
    <p class="text-body">
      {{ TURN_CHECK.marksSetTensionerPinnedPin }} <b>{{ TURN_CHECK.twoFullCrankTurnsBy }}</b>
      {{ TURN_CHECK.inTheRunningDirectionNever }}
    </p>
    <FigureTable class="mt-2" :heads="[TURN_CHECK.lineAndWhatItShould, ...ROUNDS.map(({ title }) => title), '']">
      <template v-for="check in checks" :key="keyOf(check.expected)">
        <tr :data-testid="`check-${keyOf(check.expected)}`" :data-state="check.state">
          <td class="text-body">
            {{ nameOf(sheet, check.expected) }}<span class="figure block">{{ wanted(check.expected) }}</span>
          </td>
          <td v-for="{ round, title } in ROUNDS" :key="round" class="pr-2">
            <input
              class="figure field"
              inputmode="decimal"
              maxlength="8"
              :disabled="!mayRead"
              :value="shown(check[round])"
              :aria-label="`${nameOf(sheet, check.expected)}, ${midSentence(title)}`"
              :aria-invalid="!!faults[`${round} ${keyOf(check.expected)}`]"
              @change="take(sheet, check, round, ($event.target as HTMLInputElement).value)" /><FaultNote
              v-if="faults[`${round} ${keyOf(check.expected)}`]"
              class="text-mark"
              >{{ faults[`${round} ${keyOf(check.expected)}`] }}</FaultNote
            >
          </td>
          <td class="text-note" :class="check.state === 'differs' ? 'font-bold text-renew' : ''">
            {{ { open: '', right: TURN_CHECK.right, differs: TURN_CHECK.differs }[check.state] }}
          </td>
        </tr>
        <tr v-if="check.means.length">
          <td colspan="4" class="pb-2 text-body">
            <b>{{ TURN_CHECK.stopHere }}</b> {{ check.means.map((one) => sayMeaning(one, namesOf(sheet))).join(' ') }}
          </td>
        </tr>
      </template>
    </FigureTable>
  </Panel>
</template>

<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, ENGINE_FACTS } from '../../../words/en'
import { computed, ref, watch } from 'vue'
import { camsOf, type Corrections } from '../../../core/drive'
import { banksOf } from '../../../core/sheet'
import { useOpenJob } from '../../stores/job'
import { partName } from '../../words'
import { toStored, fromStored, units } from '../../units'
import ChoiceRow from '../parts/ChoiceRow.vue'
import { numberOf } from './draft'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/** What shifts readings as much as wear does, asked once: a skimmed head, offset keys, the engine's temperature. */
const job = useOpenJob()
const sheet = computed(() => job.job.sheet)
const banks = computed(() => banksOf(sheet.value))
const keyed = computed(() =>
  sheet.value.sprockets.filter((s) => sheet.value.chains.some((c) => camsOf(sheet.value, c).includes(s.id)))
)

const form = ref({
  skim: {} as Record<string, string>,
  keys: {} as Record<string, string>,
  celsius: '',
  block: 'aluminium' as 'aluminium' | 'iron'
})
const fault = ref('')

watch(
  () => job.corrections,
  (known) => {
    form.value = {
      skim: Object.fromEntries(
        banks.value.map((bank) => [bank, text(known?.skim?.[bank], (v) => fromStored('groove', v))])
      ),
      keys: Object.fromEntries(keyed.value.map(({ id }) => [id, text(known?.offsetKeys?.[id])])),
      celsius: text(known?.temperature?.celsius),
      block: known?.temperature?.block ?? 'aluminium'
    }
  },
  { immediate: true }
)

function text(value: number | undefined, shown = (v: number) => v): string {
  return value === undefined ? '' : String(shown(value))
}

/** Filled-in fields as numbers; null where one is none. */
function numbers(
  fields: Record<string, string>,
  least: number,
  greatest: number,
  stored = (v: number) => v
): Record<string, number> | null {
  const filled = Object.entries(fields)
    .filter(([, typed]) => typed.trim() !== '')
    .map(([key, typed]) => [key, stored(numberOf(typed) ?? NaN)] as const)
  return filled.every(([, value]) => value >= least && value <= greatest) ? Object.fromEntries(filled) : null
}

function save() {
  const skim = numbers(form.value.skim, -2, 5, (v) => toStored('groove', v))
  const offsetKeys = numbers(form.value.keys, -30, 30)
  const heat = numbers({ celsius: form.value.celsius }, -60, 200)
  fault.value = !skim
    ? ENGINE_FACTS.aSkimIsANumber
    : !offsetKeys
      ? ENGINE_FACTS.anOffsetKeyIsA
      : !heat
        ? ENGINE_FACTS.theTemperatureIsANumber
        : ''
  if (!skim || !offsetKeys || !heat) return
  // What is left empty was asked all the same: none, and as cold as the workshop.
  const corrections: Corrections = {
    skim,
    offsetKeys,
    temperature: heat.celsius === undefined ? {} : { celsius: heat.celsius, block: form.value.block }
  }
  job.put({ type: 'corrections', corrections })
}
</script>

<template>
  <form class="space-y-3" novalidate @submit.prevent="save">
    <p class="text-note">{{ ENGINE_FACTS.asLargeAsWearSo }}</p>
    <Field
      v-for="bank in banks"
      :key="bank"
      v-model="form.skim[bank]"
      :label="ENGINE_FACTS.headOrBlockFaceSkimmed(banks.length > 1 ? bank : null, units.length)"
      figure
      inputmode="decimal"
      maxlength="8" />
    <Field
      v-for="sprocket in keyed"
      :key="sprocket.id"
      v-model="form.keys[sprocket.id]"
      :label="ENGINE_FACTS.offsetKeyAtCrankDegrees(midSentence(partName(sheet, sprocket.id)))"
      figure
      inputmode="decimal"
      maxlength="8" />
    <Field
      v-model="form.celsius"
      :label="ENGINE_FACTS.engineTemperatureWhenReadC"
      figure
      inputmode="decimal"
      maxlength="6" />
    <ChoiceRow
      v-if="form.celsius.trim()"
      v-model="form.block"
      :label="ENGINE_FACTS.block"
      :options="[
        { value: 'aluminium', label: ENGINE_FACTS.aluminium },
        { value: 'iron', label: ENGINE_FACTS.iron }
      ]" />
    <FaultNote v-if="fault">{{ fault }}</FaultNote>
    <button type="submit" class="act-main w-full">{{ COMMON.save }}</button>
  </form>
</template>

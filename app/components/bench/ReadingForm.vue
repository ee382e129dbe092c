<script setup lang="ts">
import { CAUTIONS, COMMON, READING_FORM } from '../../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { computed, nextTick, ref, useId, watch } from 'vue'
import type { StandingReading } from '../../../core/record'
import type { Slot } from '../../../core/views/bench'
import { freeExtension, READING_KINDS, sheetCount, type Reading } from '../../../core/readings'
import { compileSheet, type DriveSheet } from '../../../core/sheet'
import { Squares2X2Icon } from '@heroicons/vue/20/solid'
import { isLength, lengthFigure, lengthWords } from '../../units'
import { METHOD_WORDS, unitWords } from '../../words'
import ChoiceRow from '../parts/ChoiceRow.vue'
import { asksLocking, asksPlace, asksTurning, numberOf, ratchetOf, readingOf, readInOf, type Draft } from './draft'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import Caution from '../parts/Caution.vue'
import { later } from '../../later'

const KeyPad = later(() => import('./KeyPad.vue'))
const LagHelper = later(() => import('./LagHelper.vue'))
const LinkCounter = later(() => import('./LinkCounter.vue'))
const PlugView = later(() => import('./PlugView.vue'))

const props = withDefaults(
  defineProps<{
    sheet: DriveSheet
    slot: Slot
    correcting: StandingReading | null
    people: readonly string[]
    runs?: readonly { name: string; counted: number | null; current: boolean }[]
  }>(),
  { runs: () => [] }
)
const draft = defineModel<Draft>('draft', { required: true })
const by = defineModel<string>('by', { required: true })
const emit = defineEmits<{ save: [reading: Reading]; cancel: [] }>()

const id = useId()
const figure = ref<HTMLInputElement | null>(null)
const fault = ref<{ field: string; message: string } | null>(null)
const methods = computed(() =>
  Object.entries(READING_KINDS[props.slot.kind].methods).map(([value, sigma]) => ({
    value,
    label: METHOD_WORDS[value] ?? value,
    hint: `±${isLength(props.slot.kind) ? lengthFigure(sigma, 2).replace(/0$/, '') : sigma}`
  }))
)
const ratchet = computed(() => ratchetOf(props.sheet, props.slot))
const parts = computed(() => compileSheet(props.sheet))
const stroke = computed(() => parts.value.tensioners.get(props.slot.target.tensioner ?? '')?.stroke ?? 0)
const readIn = computed(() => readInOf(props.sheet, props.slot, draft.value))
const unit = computed(() => (readIn.value === 'notches' ? 'notches' : unitWords(props.slot.kind)))
/** What the removed lifter of a small single stands out by itself; a gap is read of no other. */
const free = computed(() => {
  const tensioner = parts.value.tensioners.get(props.slot.target.tensioner ?? '')
  return tensioner && props.sheet.engine.cylinders <= 2 ? freeExtension(tensioner) : null
})
const waysToRead = computed(() => [
  { value: 'mm' as const, label: READING_FORM.millimetres },
  ...(ratchet.value ? [{ value: 'notches' as const, label: READING_FORM.notchesShowing }] : []),
  ...(free.value === null ? [] : [{ value: 'gap' as const, label: READING_FORM.gapLeft }])
])
const run = computed(() => parts.value.chains.get(props.slot.target.chain ?? ''))
/** Is the keypad wanted on this device? */
const keypad = useLocalStorage('umbrette.keypad', false)
const whose = computed(() => props.people.map((value) => ({ value, label: value })))

watch(
  () => [props.slot.key, props.correcting?.id],
  async () => {
    fault.value = null
    await nextTick()
    figure.value?.focus({ preventScroll: true })
  }
)

function set<K extends keyof Draft>(key: K, value: Draft[K]) {
  draft.value = { ...draft.value, [key]: value }
  fault.value = null
}

/** A lag worked out from what was seen, put into the figure. */
function takeLag(lag: number, method: string | null) {
  draft.value = {
    ...draft.value,
    figure: String(Math.abs(lag)),
    side: lag < 0 ? 'early' : 'late',
    ...(method ? { method } : {})
  }
  fault.value = null
}

function save() {
  if (!by.value) {
    fault.value = { field: 'by', message: READING_FORM.chooseWhoIsAtThe }
    return
  }
  const { reading, fault: found } = readingOf(props.sheet, props.slot, draft.value)
  fault.value = found
  if (reading) emit('save', reading)
  else figure.value?.focus()
}
</script>

<template>
  <form class="flex flex-col gap-3" novalidate @submit.prevent="save">
    <LinkCounter
      v-if="slot.kind === 'linkCount' && run"
      :model-value="draft.figure"
      :runs="runs"
      :total="run.links"
      :expected="sheetCount(run, slot.target.from ?? '', slot.target.to ?? '') ?? 0"
      @update:model-value="set('figure', $event)" />
    <div>
      <label :for="`${id}-figure`" class="label">{{
        correcting ? READING_FORM.correctedFigure : READING_FORM.figure
      }}</label>
      <div class="mt-1 flex items-stretch gap-1">
        <input
          :id="`${id}-figure`"
          ref="figure"
          :value="draft.figure"
          class="figure field min-h-16 min-w-0 flex-1 text-4xl"
          inputmode="decimal"
          autocomplete="off"
          maxlength="40"
          :aria-invalid="fault?.field === 'figure'"
          :aria-describedby="fault?.field === 'figure' ? `${id}-fault` : undefined"
          data-testid="figure"
          @keydown.esc="($event.target as HTMLInputElement).blur()"
          @input="set('figure', ($event.target as HTMLInputElement).value)" />
        <span class="grid min-w-14 place-content-center px-1 text-center text-faint">{{ unit }}</span>
        <ClientOnly
          ><button
            type="button"
            class="act px-2"
            :aria-pressed="keypad"
            :aria-label="READING_FORM.keypad"
            data-testid="keypad"
            @click="keypad = !keypad">
            <Squares2X2Icon class="size-5" aria-hidden="true" /></button
        ></ClientOnly>
      </div>
      <ClientOnly
        ><KeyPad v-if="keypad" class="mt-1" :model-value="draft.figure" @update:model-value="set('figure', $event)"
      /></ClientOnly>
      <FaultNote v-if="fault?.field === 'figure'" :id="`${id}-fault`" class="mt-1">{{ fault.message }}</FaultNote>
    </div>
    <ChoiceRow
      v-if="slot.kind === 'camLag'"
      :model-value="draft.side"
      :label="READING_FORM.theCamStands"
      :options="[
        { value: 'late', label: READING_FORM.lateRetarded },
        { value: 'early', label: READING_FORM.earlyAdvanced }
      ]"
      @update:model-value="set('side', $event)" />
    <ChoiceRow
      v-if="slot.kind === 'extension' && waysToRead.length > 1"
      :model-value="readIn"
      :label="READING_FORM.readIn"
      :options="waysToRead"
      @update:model-value="set('readIn', $event)" />
    <p v-if="readIn === 'gap' && free !== null" class="text-note">{{ READING_FORM.gapSays(lengthWords(free, 1)) }}</p>
    <PlugView
      v-if="ratchet && readIn === 'notches'"
      :ratchet="ratchet"
      :stroke="stroke"
      :notches="numberOf(draft.figure) ?? 0"
      @notches="set('figure', String($event))" />
    <LagHelper
      v-if="slot.kind === 'camLag' && slot.target.sprocket"
      :key="slot.key"
      :sheet="sheet"
      :sprocket="slot.target.sprocket"
      @lag="takeLag" />
    <ChoiceRow
      v-if="asksPlace(slot)"
      :model-value="draft.place ?? ''"
      :label="READING_FORM.atWhichPlaceOfThe"
      :options="[
        { value: '', label: READING_FORM.notSaid },
        { value: '1', label: READING_FORM.one },
        { value: '2', label: READING_FORM.two },
        { value: '3', label: READING_FORM.three }
      ]"
      @update:model-value="set('place', $event)" />
    <Field
      v-if="slot.target.links !== undefined"
      :model-value="draft.links"
      :label="READING_FORM.overHowManyLinks"
      figure
      inputmode="numeric"
      :fault="fault?.field === 'links' ? fault.message : ''"
      @update:model-value="set('links', String($event))" />
    <ChoiceRow
      v-if="methods.length > 1 && readIn === 'mm'"
      :model-value="draft.method"
      :label="READING_FORM.readWith"
      :options="methods"
      @update:model-value="set('method', $event)" />
    <ChoiceRow
      v-if="asksTurning(sheet, slot)"
      :model-value="draft.turned"
      :label="READING_FORM.turnedForwardLast"
      :options="[
        { value: 'yes', label: READING_FORM.yes },
        { value: 'no', label: READING_FORM.no },
        { value: 'unknown', label: READING_FORM.notKnown }
      ]"
      @update:model-value="set('turned', $event)" />
    <ChoiceRow
      v-if="asksLocking(sheet, slot)"
      :model-value="draft.locked"
      :label="READING_FORM.phaserLockedAtRest"
      :options="[
        { value: 'yes', label: READING_FORM.yes },
        { value: 'no', label: READING_FORM.no }
      ]"
      @update:model-value="set('locked', $event)" />
    <Field
      :model-value="draft.note"
      :label="READING_FORM.note"
      maxlength="4000"
      @update:model-value="set('note', String($event))" />
    <ClientOnly>
      <ChoiceRow v-if="!by" v-model="by" :label="COMMON.whoIsAtTheBench" :options="whose" />
    </ClientOnly>
    <FaultNote v-if="fault?.field === 'by' && !by">{{ fault.message }}</FaultNote>
    <div class="sticky -bottom-4 -mx-4 flex gap-2 border-t border-rule bg-sheet px-4 py-2">
      <button type="submit" class="act-main flex-1" data-testid="save">
        {{ correcting ? READING_FORM.saveCorrection : READING_FORM.saveReading }}
      </button>
      <button v-if="correcting" type="button" class="act" @click="emit('cancel')">{{ COMMON.cancel }}</button>
    </div>
    <Caution v-if="CAUTIONS[slot.kind]">{{ CAUTIONS[slot.kind] }}</Caution>
  </form>
</template>

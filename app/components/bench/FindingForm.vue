<script setup lang="ts">
import { COMMON, FINDING_FORM, FINDING_KEYS, FINDING_SAYS, findingWords } from '../../../words/en'
import { computed, ref } from 'vue'
import { detailsOf, figureOf, type Of } from '../../../core/readings'
import { banksOf, partKindOf } from '../../../core/sheet'
import { useOpenJob } from '../../stores/job'
import { findingUnit, fromStoredFinding, toStoredFinding } from '../../units'
import { choicesOf, USAGE_UNITS } from '../../words'
import { numberOf } from './draft'
import ChoiceRow from '../parts/ChoiceRow.vue'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/** What is said of a finding beside that it was made: how many, its figure, whose it is. */
type Condition = Of<'condition'>

const props = defineProps<{ target: string; finding: string; known?: Condition | null }>()
const emit = defineEmits<{ save: [reading: Condition]; cancel: [] }>()
const job = useOpenJob()

const sheet = computed(() => job.job.sheet)
const kind = computed(() => partKindOf(sheet.value, props.target) ?? 'engine')
const asked = computed(() => detailsOf(sheet.value, kind.value, props.finding))
const spec = computed(() => figureOf(props.finding))
const unit = computed(() => findingUnit(props.finding))
const shown = (value: number | undefined) => (value === undefined ? '' : String(value))

const count = ref(props.known?.count ?? 1)
const figure = ref(props.known?.value === undefined ? '' : shown(fromStoredFinding(props.finding, props.known.value)))
const cylinder = ref(shown(props.known?.cylinder))
const bank = ref(shown(props.known?.bank))
const sensor = ref<string>(props.known?.sensor ?? '')
const where = ref<string>(props.known?.where ?? '')
const speed = ref(shown(props.known?.speed))
const temperature = ref(shown(props.known?.temperature))
const note = ref(props.known?.note ?? '')
const fault = ref('')

const numbers = (all: readonly number[]) => all.map((n) => ({ value: String(n), label: String(n) }))
const cylinders = computed(() => numbers(Array.from({ length: sheet.value.engine.cylinders }, (_, i) => i + 1)))
const banks = computed(() => numbers(banksOf(sheet.value)))

/** The figure in the stored unit; null where nothing, or no number, stands there. */
function storedFigure(): number | null {
  const typed = numberOf(figure.value)
  return typed === null ? null : toStoredFinding(props.finding, typed)
}

function faultOf(): string {
  const { value: of } = spec
  if (of && (of.needed || figure.value.trim())) {
    const value = storedFigure()
    const [least, greatest] = of.range
    if (value === null || value < least || value > greatest)
      return FINDING_FORM.writeAFigure(
        fromStoredFinding(props.finding, least),
        fromStoredFinding(props.finding, greatest),
        unit.value === 'usage' ? USAGE_UNITS[job.job.usage.unit] : unit.value
      )
  }
  return of?.perCylinder && !cylinder.value ? FINDING_FORM.chooseACylinder : ''
}

function save() {
  fault.value = faultOf()
  if (fault.value) return
  const value = spec.value ? storedFigure() : null
  const said = <K extends string, V>(key: K, given: V | null | '' | undefined) =>
    given === null || given === '' || given === undefined ? {} : { [key]: given }
  emit('save', {
    kind: 'condition',
    target: props.target,
    finding: props.finding,
    ...(asked.value.includes('count') ? { count: count.value } : {}),
    ...said('value', value),
    ...said('cylinder', numberOf(cylinder.value)),
    ...said('bank', numberOf(bank.value)),
    ...said('sensor', sensor.value),
    ...said('where', where.value),
    ...said('speed', numberOf(speed.value)),
    ...said('temperature', numberOf(temperature.value)),
    ...said('note', note.value.trim())
  } as Condition)
}
</script>

<template>
  <form
    class="space-y-2 border-l-4 border-brass bg-paper p-3"
    novalidate
    data-testid="finding-form"
    @submit.prevent="save">
    <p class="font-bold">
      {{ asked.includes('count') ? FINDING_KEYS.howMany(findingWords(kind, finding)) : findingWords(kind, finding) }}
    </p>
    <div v-if="asked.includes('count')" class="flex items-center gap-2">
      <button type="button" class="act" :aria-label="FINDING_KEYS.oneFewer" @click="count = Math.max(1, count - 1)">
        −
      </button>
      <output class="figure min-w-10 text-center text-2xl" aria-live="polite">{{ count }}</output>
      <button type="button" class="act" :aria-label="FINDING_KEYS.oneMore" @click="count++">+</button>
    </div>
    <ChoiceRow
      v-if="asked.includes('where')"
      v-model="where"
      :label="FINDING_FORM.where"
      :options="choicesOf<string>(FINDING_SAYS.places)" />
    <ChoiceRow
      v-if="asked.includes('cylinder')"
      v-model="cylinder"
      :label="FINDING_FORM.cylinder"
      :options="cylinders" />
    <Field
      v-if="spec"
      v-model="figure"
      figure
      inputmode="decimal"
      data-testid="finding-figure"
      :label="unit === 'usage' ? FINDING_FORM.usageThen(USAGE_UNITS[job.job.usage.unit]) : FINDING_FORM.figure(unit)" />
    <ChoiceRow v-if="asked.includes('bank')" v-model="bank" :label="FINDING_FORM.bank" :options="banks" />
    <ChoiceRow
      v-if="asked.includes('sensor')"
      v-model="sensor"
      :label="FINDING_FORM.sensor"
      :options="choicesOf<string>(FINDING_SAYS.sensors)" />
    <div v-if="asked.includes('frozen')" class="grid grid-cols-2 gap-2">
      <Field v-model="speed" :label="FINDING_FORM.speed" figure inputmode="numeric" />
      <Field v-model="temperature" :label="FINDING_FORM.temperature" figure inputmode="numeric" />
    </div>
    <Field
      v-model="note"
      :label="asked.includes('count') ? FINDING_KEYS.whichAndWhere : FINDING_FORM.note"
      maxlength="4000" />
    <FaultNote v-if="fault">{{ fault }}</FaultNote>
    <div class="flex gap-2">
      <button type="submit" class="act-main">{{ COMMON.save }}</button>
      <button type="button" class="act" @click="emit('cancel')">{{ COMMON.cancel }}</button>
    </div>
  </form>
</template>

<script setup lang="ts">
import { computed, ref } from 'vue'
import { camToCrankDegrees, clockToLag, liftToLag } from '../../../core/drive'
import { type DriveSheet, isClock } from '../../../core/sheet'
import { fixDigits, lagWords } from '../../words'
import ChoiceRow from '../parts/ChoiceRow.vue'
import { numberOf } from './draft'
import Field from '../parts/Field.vue'

/**
 * A lag from what is seen: the clock position of the mark, cam degrees, or the crank at a small lift on both flanks.
 */
const props = defineProps<{ sheet: DriveSheet; sprocket: string }>()
const emit = defineEmits<{ lag: [lag: number, method: string | null] }>()

const how = ref<'degrees' | 'clock' | 'cam' | 'lift'>('degrees')
const clock = ref('')
const cam = ref('')
const lift = ref({ openFound: '', openShould: '', closeFound: '', closeShould: '' })

const chain = computed(() =>
  props.sheet.chains.find((c) => c.path.includes(props.sprocket) && c.driver !== props.sprocket)!
)
const lag = computed<number | null>(() => {
  if (how.value === 'clock')
    return isClock(clock.value) ? clockToLag(props.sheet, chain.value, props.sprocket, clock.value) : null
  if (how.value === 'cam') {
    const degrees = numberOf(cam.value)
    return degrees === null ? null : camToCrankDegrees(degrees)
  }
  const [openFound, openShould, closeFound, closeShould] = [
    lift.value.openFound,
    lift.value.openShould,
    lift.value.closeFound,
    lift.value.closeShould
  ].map(numberOf)
  if (openFound === null || openShould === null || closeFound === null || closeShould === null) return null
  return liftToLag({ opening: openFound!, closing: closeFound! }, { opening: openShould!, closing: closeShould! }).lag
})
const flanks = computed(() => {
  const numbers = Object.values(lift.value).map(numberOf)
  const [openFound, openShould, closeFound, closeShould] = numbers
  return how.value === 'lift' && !numbers.includes(null)
    ? liftToLag({ opening: openFound!, closing: closeFound! }, { opening: openShould!, closing: closeShould! }).flanks
    : null
})
const FIELDS = [
  ['openFound', 'Opening, found'],
  ['openShould', 'Opening, should'],
  ['closeFound', 'Closing, found'],
  ['closeShould', 'Closing, should']
] as const

function take() {
  if (lag.value !== null) emit('lag', Number(lag.value.toFixed(1)), how.value === 'lift' ? 'lift' : null)
}
</script>

<template>
  <div>
    <ChoiceRow
      v-model="how"
      label="Entered as"
      :options="[
        { value: 'degrees', label: 'crank degrees' },
        { value: 'cam', label: 'cam degrees' },
        { value: 'clock', label: 'clock position' },
        { value: 'lift', label: 'valve lift' }
      ]" />
    <div v-if="how !== 'degrees'" class="mt-2 border-l-4 border-brass bg-paper p-2">
      <input
        v-if="how === 'clock'"
        v-model="clock"
        class="figure field"
        aria-label="Clock position of the mark"
        placeholder="11:10"
        maxlength="5"
        @keydown.enter.prevent="take" />
      <input
        v-else-if="how === 'cam'"
        v-model="cam"
        class="figure field"
        inputmode="decimal"
        aria-label="Cam degrees, minus for early"
        placeholder="1.5"
        maxlength="8"
        @keydown.enter.prevent="take" />
      <div v-else class="grid grid-cols-2 gap-1">
        <Field
          v-for="[key, label] in FIELDS"
          :key="key"
          v-model="lift[key]"
          :label="label"
          figure
          inputmode="decimal"
          maxlength="8"
          @keydown.enter.prevent="take" />
      </div>
      <p v-if="how === 'lift'" class="mt-1 text-note text-faint">
        Crank angle at the same small lift, on both flanks of the lobe.<template v-if="flanks !== null">
          The flanks differ by {{ fixDigits(flanks, 1) }}°: the lobe's wear.</template
        >
      </p>
      <button type="button" class="act mt-2 w-full" :disabled="lag === null" data-testid="take-lag" @click="take">
        {{ lag === null ? 'Fill in above' : `Use ${lagWords(lag)}` }}
      </button>
    </div>
  </div>
</template>

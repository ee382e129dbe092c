<script setup lang="ts">
import { LAG_HELPER } from '../../../words/en'
import { computed, ref } from 'vue'
import { camToCrankDegrees, clockToLag, liftToLag } from '../../../core/drive'
import { compileSheet, type DriveSheet, isClock } from '../../../core/sheet'
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

const chain = computed(() => compileSheet(props.sheet).chainAt(props.sprocket))
/** From the lift, once all four are there. */
const lifted = computed(() => {
  const [openFound, openShould, closeFound, closeShould] = [
    lift.value.openFound,
    lift.value.openShould,
    lift.value.closeFound,
    lift.value.closeShould
  ].map((typed) => numberOf(typed) ?? NaN) as [number, number, number, number]
  const all = {
    found: { opening: openFound, closing: closeFound },
    should: { opening: openShould, closing: closeShould }
  }
  return [openFound, openShould, closeFound, closeShould].some(Number.isNaN) ? null : liftToLag(all.found, all.should)
})
const lag = computed<number | null>(() => {
  if (how.value === 'clock')
    return chain.value && isClock(clock.value)
      ? clockToLag(props.sheet, chain.value, props.sprocket, clock.value)
      : null
  if (how.value === 'lift') return lifted.value?.lag ?? null
  const degrees = numberOf(cam.value)
  return how.value !== 'cam' || degrees === null ? null : camToCrankDegrees(degrees)
})
const flanks = computed(() => (how.value === 'lift' ? (lifted.value?.flanks ?? null) : null))
const FIELDS = [
  ['openFound', LAG_HELPER.openingFound],
  ['openShould', LAG_HELPER.openingShould],
  ['closeFound', LAG_HELPER.closingFound],
  ['closeShould', LAG_HELPER.closingShould]
] as const

function take() {
  if (lag.value !== null) emit('lag', Number(lag.value.toFixed(1)), how.value === 'lift' ? 'lift' : null)
}
</script>

<template>
  <div>
    <ChoiceRow
      v-model="how"
      :label="LAG_HELPER.enteredAs"
      :options="[
        { value: 'degrees', label: LAG_HELPER.crankDegrees },
        { value: 'cam', label: LAG_HELPER.camDegrees },
        { value: 'clock', label: LAG_HELPER.clockPosition },
        { value: 'lift', label: LAG_HELPER.valveLift }
      ]" />
    <div v-if="how !== 'degrees'" class="mt-2 border-l-4 border-brass bg-paper p-2">
      <input
        v-if="how === 'clock'"
        v-model="clock"
        class="figure field"
        :aria-label="LAG_HELPER.clockPositionOfTheMark"
        placeholder="11:10"
        maxlength="5"
        @keydown.enter.prevent="take" />
      <input
        v-else-if="how === 'cam'"
        v-model="cam"
        class="figure field"
        inputmode="decimal"
        :aria-label="LAG_HELPER.camDegreesMinusForEarly"
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
        {{ LAG_HELPER.crankAngleAtTheSame
        }}<template v-if="flanks !== null"> {{ LAG_HELPER.theFlanksDifferByThe(fixDigits(flanks, 1)) }}</template>
      </p>
      <button type="button" class="act mt-2 w-full" :disabled="lag === null" data-testid="take-lag" @click="take">
        {{ lag === null ? LAG_HELPER.fillInAbove : LAG_HELPER.use(lagWords(lag)) }}
      </button>
    </div>
  </div>
</template>

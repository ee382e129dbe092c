<script setup lang="ts">
import { STEPS_FIELD } from '../../../words/en'
import { numberOf } from '../bench/draft'

/** How a bolt is tightened: torques and angles, one after another. */
const props = defineProps<{ value: readonly Record<string, unknown>[] }>()
const emit = defineEmits<{ change: [steps: Record<string, unknown>[]] }>()

const kindOf = (step: Record<string, unknown>) => ('degrees' in step ? 'degrees' : 'newtonMetres')
const replace = (i: number, step: Record<string, unknown>) =>
  emit(
    'change',
    props.value.map((one, k) => (k === i ? step : one))
  )
const figureOf = (typed: string) => (typed.trim() === '' ? '' : (numberOf(typed) ?? typed))
</script>

<template>
  <ol class="mt-1 grid gap-1">
    <li v-for="(step, i) in value" :key="i" class="flex items-center gap-2">
      <span class="figure w-6">{{ i + 1 }}</span>
      <input
        class="figure field max-w-24"
        inputmode="decimal"
        maxlength="8"
        :aria-label="STEPS_FIELD.step(i + 1)"
        :value="String(step[kindOf(step)] ?? '')"
        @change="replace(i, { [kindOf(step)]: figureOf(($event.target as HTMLInputElement).value) })" />
      <select
        class="field max-w-32"
        :aria-label="STEPS_FIELD.unitOfStep(i + 1)"
        :value="kindOf(step)"
        @change="replace(i, { [($event.target as HTMLSelectElement).value]: step[kindOf(step)] })">
        <option value="newtonMetres">N·m</option>
        <option value="degrees">{{ STEPS_FIELD.degrees }}</option>
      </select>
      <button
        type="button"
        class="act-bare"
        @click="
          emit(
            'change',
            value.filter((_, k) => k !== i)
          )
        ">
        {{ STEPS_FIELD.takeOff }}
      </button>
    </li>
    <li>
      <button type="button" class="act" @click="emit('change', [...value, { newtonMetres: '' }])">
        {{ STEPS_FIELD.addAStep }}
      </button>
    </li>
  </ol>
</template>

<script setup lang="ts">
import { namesOf, sayStepCaution, sayTask, TASK_ROW } from '../../../words/en'
import type { DriveSheet } from '../../../core/sheet'
import { computed, ref, watch } from 'vue'
import type { Task } from '../../../core/views/buildup'
import type { ActOf } from '../../../core/record'
import { lengthFigure, torqueWords, units } from '../../units'
import { convert } from '../../../core/math'
import { numberOf } from '../bench/draft'
import WhenAt from '../parts/WhenAt.vue'
import FaultNote from '../parts/FaultNote.vue'
import Caution from '../parts/Caution.vue'

/** One step: its cautions before it, what is entered with it, and who ticked it when. */
const props = defineProps<{ sheet: DriveSheet; task: Task; done: ActOf<'task'> | null; mayTick: boolean }>()
const emit = defineEmits<{ set: [state: 'done' | 'open', more: { note?: string; value?: number }] }>()

const typed = ref('')
const fault = ref('')
const text = computed(() => sayTask(props.task, namesOf(props.sheet)))
const isDone = computed(() => props.done?.state === 'done')
watch(
  () => props.done,
  (act) =>
    (typed.value =
      act?.note ??
      (act?.value === undefined ? '' : props.task.asks === 'length' ? lengthFigure(act.value, 2) : String(act.value))),
  { immediate: true }
)
const asked = computed(
  () =>
    ({
      nothing: '',
      note: TASK_ROW.numberMake,
      length: TASK_ROW.over20Links(units.value.length),
      count: TASK_ROW.howMany
    })[props.task.asks]
)
const tighten = computed(() => {
  const { newtonMetres, degrees } = props.task.tighten ?? {}
  if (newtonMetres !== undefined) return torqueWords(newtonMetres)
  return degrees === undefined ? '' : TASK_ROW.further(degrees)
})

function tick() {
  if (isDone.value) return emit('set', 'open', {})
  const { asks } = props.task
  fault.value = ''
  if (asks === 'nothing') return emit('set', 'done', {})
  if (asks === 'note') {
    fault.value = typed.value.trim() ? '' : TASK_ROW.writeItsNumberOrMake
    if (!fault.value) emit('set', 'done', { note: typed.value.trim() })
    return
  }
  const value = numberOf(typed.value) ?? NaN
  fault.value = ''
  if (asks === 'count' && !(Number.isInteger(value) && value >= 0)) fault.value = TASK_ROW.writeHowManyAWhole
  else if (!(value >= 0)) fault.value = TASK_ROW.writeTheLengthFirst
  else if (asks === 'count') emit('set', 'done', { value })
  else emit('set', 'done', { value: Number(convert('length', value, units.value.length, 'mm').toPrecision(9)) })
}
</script>

<template>
  <li class="border-t border-rule/60 py-1" :data-testid="`task-${task.id}`" :data-done="isDone">
    <Caution v-for="caution in isDone ? [] : task.cautions" :key="caution.code" class="my-1" lead="">
      {{ sayStepCaution(caution) }}</Caution
    >
    <div class="flex items-center gap-3">
      <label class="flex min-h-11 min-w-0 flex-1 items-center gap-3">
        <input
          type="checkbox"
          class="size-7 shrink-0 accent-ink"
          :checked="isDone"
          :disabled="!mayTick"
          :aria-label="`${text}${tighten ? `: ${tighten}` : ''}`"
          @click.prevent="tick" />
        <span class="min-w-0 flex-1" :class="isDone ? 'text-faint' : ''"
          >{{ text }} <b v-if="tighten" class="figure whitespace-nowrap">{{ tighten }}</b></span
        >
      </label>
      <input
        v-if="task.asks !== 'nothing'"
        v-model="typed"
        class="field max-w-44"
        :class="task.asks === 'note' ? '' : 'figure'"
        :placeholder="asked"
        :aria-label="`${asked}: ${text}`"
        :disabled="isDone || !mayTick"
        maxlength="200"
        :inputmode="task.asks === 'note' ? 'text' : 'decimal'" />
      <span v-if="isDone && done" class="shrink-0 text-mark text-faint">{{ done.by }}, <WhenAt :at="done.at" /></span>
    </div>
    <FaultNote v-if="fault" class="text-note">{{ fault }}</FaultNote>
  </li>
</template>

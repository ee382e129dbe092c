<script setup lang="ts">
import { HOURS_PANEL } from '../../../words/en'
import { ref } from 'vue'
import type { ActOf } from '../../../core/record'
import { readWritten } from '../../../core/readings'
import type { Operation } from '../../../core/sheet'
import { hoursTask } from '../../../core/views/summary'
import { fixDigits } from '../../words'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'

/** How long each operation took here, against the hours of the sheet. */
const props = defineProps<{
  operations: readonly Operation[]
  tasks: ReadonlyMap<string, ActOf<'task'>>
  mayChange: boolean
}>()
const emit = defineEmits<{ took: [task: string, hours: number | null] }>()
const fault = ref('')

const known = ({ id }: Operation) => {
  const task = props.tasks.get(hoursTask(id))
  return task?.state === 'done' && task.value !== undefined ? fixDigits(task.value, 1) : ''
}

function take({ id }: Operation, typed: string) {
  const hours = typed.trim() === '' ? null : (readWritten(typed)?.value ?? NaN)
  fault.value = hours !== null && !(hours >= 0 && hours <= 200) ? HOURS_PANEL.writeHours : ''
  if (!fault.value) emit('took', hoursTask(id), hours)
}
</script>

<template>
  <Panel v-if="operations.length" :title="HOURS_PANEL.title" data-testid="hours-taken">
    <p class="text-note text-faint">{{ HOURS_PANEL.says }}</p>
    <ul class="mt-1">
      <li
        v-for="operation in operations"
        :key="operation.id"
        class="grid grid-cols-[minmax(0,1fr)_auto_88px] items-center gap-2 border-t border-rule py-1">
        <span>{{ operation.name }}</span>
        <span class="figure font-normal text-faint">{{ HOURS_PANEL.onSheet(fixDigits(operation.hours, 1)) }}</span>
        <input
          class="figure field"
          inputmode="decimal"
          maxlength="6"
          :value="known(operation)"
          :disabled="!mayChange"
          :aria-label="HOURS_PANEL.took(operation.name)"
          @change="take(operation, ($event.target as HTMLInputElement).value)" />
      </li>
    </ul>
    <FaultNote v-if="fault" class="mt-1">{{ fault }}</FaultNote>
  </Panel>
</template>

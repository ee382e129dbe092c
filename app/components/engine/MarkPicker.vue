<script setup lang="ts">
import { MARK_PICKER } from '../../../words/en'
import { computed, useId } from 'vue'
import { clockAngle } from '../../../core/sheet'

/** Where a sprocket's mark stands at the setting point: touched on a clock's face, or chosen from a list. */
defineProps<{ label: string }>()
const at = defineModel<string>({ required: true })
const id = useId()
const HOURS = Array.from({ length: 12 }, (_, i) => `${i === 0 ? 12 : i}`)
const TIMES = HOURS.flatMap((hour) => [`${hour}:00`, `${hour}:30`])
const placed = (time: string, radius: number) => {
  const angle = (clockAngle(time) * Math.PI) / 180
  return { x: 40 + radius * Math.cos(angle), y: 40 - radius * Math.sin(angle) }
}
const mark = computed(() => placed(at.value, 20))
</script>

<template>
  <div class="flex items-center gap-2">
    <svg viewBox="0 0 80 80" class="size-20 shrink-0 touch-manipulation" aria-hidden="true" data-testid="clock">
      <circle cx="40" cy="40" r="24" fill="none" stroke="currentColor" stroke-width="5" stroke-dasharray="4.2 2.1" />
      <circle cx="40" cy="40" r="6" fill="none" stroke="currentColor" stroke-width="1.5" />
      <g v-for="hour in HOURS" :key="hour" class="cursor-pointer" @click="at = `${hour}:00`">
        <circle v-bind="{ cx: placed(`${hour}:00`, 33).x, cy: placed(`${hour}:00`, 33).y }" r="8" fill="transparent" />
        <text
          v-bind="placed(`${hour}:00`, 34)"
          class="fill-faint text-[8px]"
          text-anchor="middle"
          dominant-baseline="central">
          {{ hour }}
        </text>
      </g>
      <circle :cx="mark.x" :cy="mark.y" r="4.5" class="fill-brass" />
    </svg>
    <div class="min-w-0">
      <label :for="id" class="label">{{ label }}</label>
      <select :id="id" v-model="at" class="field mt-1">
        <option v-if="!TIMES.includes(at)" :value="at">{{ at }}</option>
        <option v-for="time in TIMES" :key="time" :value="time">{{ MARK_PICKER.at(time) }}</option>
      </select>
    </div>
  </div>
</template>

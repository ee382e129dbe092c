<script setup lang="ts">
import { computed, useAttrs, useId } from 'vue'
import FaultNote from './FaultNote.vue'

/**
 * One entry: its label, the control (a line, some lines, or the slot's own), and what is wrong with it or worth
 * knowing, joined for who listens. What else is given goes to the control.
 */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  label: string
  unit?: string
  /** The label is for who listens only. */
  silent?: boolean
  /** A number: set as the figures are. */
  figure?: boolean
  /** Lines to write in, where one is too few. */
  rows?: number
  fault?: string
  hint?: string
}>()
const value = defineModel<string | number>()
defineSlots<{ default(props: { control: Readonly<Record<string, unknown>> }): unknown }>()

const id = useId()
const attrs = useAttrs()
const control = computed(() => {
  const { class: _class, ...rest } = attrs
  const { silent, figure, rows, fault, hint } = props
  const about = fault ? `${id}-fault` : hint ? `${id}-hint` : undefined
  const looks = ['field', !silent && 'mt-1', figure && 'figure', rows && 'py-2']
  return { ...rest, id, class: looks, 'aria-invalid': !!fault, 'aria-describedby': about }
})
</script>

<template>
  <div :class="$attrs.class">
    <label :for="id" :class="silent ? 'sr-only' : 'label'">{{ unit ? `${label}, ${unit}` : label }}</label>
    <slot :control="control">
      <textarea v-if="rows" v-model="value" :rows="rows" v-bind="control" />
      <input v-else v-model="value" v-bind="control" />
    </slot>
    <FaultNote v-if="fault" :id="`${id}-fault`" class="text-note" data-testid="fault">{{ fault }}</FaultNote>
    <p v-else-if="hint" :id="`${id}-hint`" class="text-note text-faint">{{ hint }}</p>
  </div>
</template>

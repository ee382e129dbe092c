<script setup lang="ts">
import { REFERENCES_FIELD } from '../../../words/en'
/** Any of the entries of a list, switched on and off. */
const props = defineProps<{
  value: readonly string[]
  choices: readonly { value: string; label: string }[]
  label: string
}>()
const emit = defineEmits<{ change: [ids: string[]] }>()
const toggle = (id: string) =>
  emit('change', props.value.includes(id) ? props.value.filter((one) => one !== id) : [...props.value, id])
</script>

<template>
  <div class="mt-1 flex flex-wrap gap-1" role="group" :aria-label="label">
    <button
      v-for="one in choices"
      :key="one.value"
      type="button"
      class="min-h-11 border px-2 text-note"
      :class="value.includes(one.value) ? 'border-ink bg-ink text-sheet' : 'border-faint bg-sheet'"
      :aria-pressed="value.includes(one.value)"
      @click="toggle(one.value)">
      {{ one.label }}
    </button>
    <p v-if="choices.length === 0" class="text-faint">{{ REFERENCES_FIELD.noneYet }}</p>
  </div>
</template>

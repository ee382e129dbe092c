<script setup lang="ts">
import ReferencesField from './ReferencesField.vue'

/** For each part that this way in reaches otherwise: the operations that reach it. */
const props = defineProps<{
  value: Record<string, readonly string[]>
  parts: readonly { value: string; label: string }[]
  choices: readonly { value: string; label: string }[]
}>()
const emit = defineEmits<{ change: [value: Record<string, readonly string[]>] }>()

function change(part: string, ids: readonly string[]) {
  const { [part]: _old, ...others } = props.value
  emit('change', ids.length > 0 ? { ...others, [part]: ids } : others)
}
</script>

<template>
  <div class="mt-1 grid gap-2">
    <div v-for="part in parts" :key="part.value">
      <p class="text-body">{{ part.label }}</p>
      <ReferencesField
        :value="value[part.value] ?? []"
        :choices="choices"
        :label="part.label"
        @change="change(part.value, $event)" />
    </div>
  </div>
</template>

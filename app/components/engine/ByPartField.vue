<script setup lang="ts">
import { numberOf } from '../bench/draft'

/** A figure for each of some parts; empty ones are left out. */
const props = defineProps<{ value: Record<string, unknown>; choices: readonly { value: string; label: string }[] }>()
const emit = defineEmits<{ change: [value: Record<string, unknown> | ''] }>()

function change(id: string, typed: string) {
  const { [id]: _old, ...others } = props.value
  const next = typed.trim() === '' ? others : { ...others, [id]: numberOf(typed) ?? typed }
  emit('change', Object.keys(next).length > 0 ? next : '')
}
</script>

<template>
  <div class="mt-1 grid gap-1">
    <label v-for="one in choices" :key="one.value" class="flex items-center gap-3"
      ><input
        class="figure field max-w-28"
        inputmode="decimal"
        maxlength="10"
        :value="String(value[one.value] ?? '')"
        @change="change(one.value, ($event.target as HTMLInputElement).value)" /><span>{{ one.label }}</span></label
    >
  </div>
</template>

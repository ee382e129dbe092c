<script setup lang="ts">
import { useId } from 'vue'

/** A field of the guided sheet, its fault beside it. */
defineProps<{ label: string; fault?: string; hint?: string; unit?: string; words?: boolean }>()
const value = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="label"
      >{{ label }}<template v-if="unit">, {{ unit }}</template></label
    >
    <input
      :id="id"
      v-model="value"
      class="field mt-1"
      :class="words ? '' : 'figure'"
      :inputmode="words ? 'text' : 'decimal'"
      maxlength="120"
      :aria-invalid="!!fault"
      :aria-describedby="fault ? `${id}-fault` : undefined" />
    <p v-if="fault" :id="`${id}-fault`" class="text-note font-bold text-renew" data-testid="fault">{{ fault }}</p>
    <p v-else-if="hint" class="text-note text-faint">{{ hint }}</p>
  </div>
</template>

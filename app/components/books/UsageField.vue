<script setup lang="ts">
import { USAGE_FIELD } from '../../../words/en'
import type { UsageEntry } from '../../composables/useUsageEntry'
import Field from '../parts/Field.vue'

/** A usage, said back as it was read, and asked about where it can hardly be. */
const props = defineProps<{ entry: UsageEntry; label: string; unit?: string; fault?: string; hint?: string }>()
const { text, sure, readBack, fault: unread, question } = props.entry
</script>

<template>
  <div>
    <Field
      v-model="text"
      :label="label"
      :unit="unit"
      figure
      inputmode="decimal"
      autocomplete="off"
      maxlength="16"
      :fault="unread || fault"
      :hint="readBack || hint" />
    <div
      v-if="question"
      class="mt-1 border-l-4 border-brass bg-paper p-2 text-note"
      role="alert"
      data-testid="usage-asked">
      <p>{{ question }}</p>
      <label class="mt-1 flex min-h-11 items-center gap-2">
        <input v-model="sure" type="checkbox" class="size-5" />{{ USAGE_FIELD.isItRight }}
      </label>
    </div>
  </div>
</template>

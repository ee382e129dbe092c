<script setup lang="ts">
import { known } from '../../../words/spoken'
import { SHEET_FIELD } from '../../../words/en'
import { computed } from 'vue'
import { numberOf } from '../bench/draft'
import ByPartField from './ByPartField.vue'
import CountsField from './CountsField.vue'
import StretchesField from './StretchesField.vue'
import NeedsField from './NeedsField.vue'
import PathField from './PathField.vue'
import ReferencesField from './ReferencesField.vue'
import type { SheetEntry } from './sections'
import StepsField from './StepsField.vue'
import { listNamed } from './listNamed'
import type { Draft } from './useSheetDraft'
import Field from '../parts/Field.vue'

/** One field of a drive sheet with the fault that is at its place, listNamed in words beside it. */
const props = defineProps<{
  field: SheetEntry
  value: unknown
  draft: Draft
  entry: Record<string, unknown> | null
  faults: readonly string[]
}>()
const emit = defineEmits<{ change: [value: unknown] }>()

const label = computed(() => known(props.field.label))
const choices = computed(() => listNamed(props.draft, props.field.of ?? []))
const point = computed(() => (Array.isArray(props.value) ? (props.value as unknown[]) : ['', '']))
const text = (value: unknown) =>
  value === undefined || value === null
    ? ''
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value as string | number)

/** A figure where it is one; else what was typed, to be listNamed as a fault and not lost. */
const figureOf = (typed: string) => (typed.trim() === '' ? '' : (numberOf(typed) ?? typed))

function changePoint(at: 0 | 1, typed: string) {
  const next = [...point.value]
  next[at] = figureOf(typed)
  emit('change', next.every((v) => v === '') ? '' : next)
}
</script>

<template>
  <div :class="field.wide ? 'col-span-full' : ''">
    <label v-if="field.kind === 'flag'" class="flex min-h-11 items-center gap-3">
      <input
        type="checkbox"
        class="size-6 accent-ink"
        :checked="field.key === 'touches' ? value !== false : value === true"
        @change="
          emit(
            'change',
            ($event.target as HTMLInputElement).checked ||
              (field.key === 'touches' || field.key.endsWith('interference') || field.key === 'onSight'
                ? ($event.target as HTMLInputElement).checked
                : '')
          )
        " />
      {{ label }}
    </label>
    <Field
      v-else
      :label="label"
      :unit="field.unit"
      :figure="field.kind === 'number' || field.kind === 'point'"
      :rows="field.kind === 'long' ? 2 : undefined"
      :fault="faults.join('; ')"
      :hint="field.hint && known(field.hint)">
      <template #default="{ control }">
        <textarea
          v-if="field.kind === 'long'"
          v-bind="control"
          :value="text(value)"
          rows="2"
          maxlength="2000"
          @change="emit('change', ($event.target as HTMLTextAreaElement).value)" />
        <select
          v-else-if="field.kind === 'choice' || field.kind === 'reference'"
          v-bind="control"
          :value="text(value)"
          @change="emit('change', ($event.target as HTMLSelectElement).value)">
          <option v-if="field.kind === 'reference'" value="">{{ SHEET_FIELD.none }}</option>
          <option v-for="one in field.options ?? choices" :key="one.value" :value="one.value">
            {{ known(one.label) }}
          </option>
        </select>
        <div v-else-if="field.kind === 'point'" class="mt-1 flex gap-1">
          <input
            v-bind="control"
            :value="text(point[0])"
            class="figure field"
            inputmode="decimal"
            maxlength="12"
            :aria-label="`${label}, ${field.key === 'armRange' ? SHEET_FIELD.least : field.key === 'teeth' ? SHEET_FIELD.driving : 'x'}`"
            @change="changePoint(0, ($event.target as HTMLInputElement).value)" />
          <input
            :value="text(point[1])"
            class="figure field"
            inputmode="decimal"
            maxlength="12"
            :aria-label="`${label}, ${field.key === 'armRange' ? SHEET_FIELD.greatest : field.key === 'teeth' ? SHEET_FIELD.driven : 'y'}`"
            @change="changePoint(1, ($event.target as HTMLInputElement).value)" />
        </div>
        <PathField
          v-else-if="field.kind === 'path'"
          :value="(value as string[] | undefined) ?? []"
          :choices="choices"
          @change="emit('change', $event)" />
        <StretchesField
          v-else-if="field.kind === 'stretches'"
          :value="(value as Record<string, unknown> | undefined) ?? {}"
          :draft="draft"
          @change="emit('change', $event)" />
        <CountsField
          v-else-if="field.kind === 'counts'"
          :chain="entry ?? {}"
          :draft="draft"
          @change="emit('change', $event)" />
        <ByPartField
          v-else-if="field.kind === 'byPart'"
          :value="(value as Record<string, unknown> | undefined) ?? {}"
          :choices="choices"
          @change="emit('change', $event)" />
        <StepsField
          v-else-if="field.kind === 'steps'"
          :value="(value as Record<string, unknown>[] | undefined) ?? []"
          @change="emit('change', $event)" />
        <NeedsField
          v-else-if="field.kind === 'needs'"
          :value="(value as Record<string, string[]> | undefined) ?? {}"
          :parts="listNamed(draft, ['parts'])"
          :choices="choices"
          @change="emit('change', $event)" />
        <ReferencesField
          v-else-if="field.kind === 'references'"
          :value="(value as string[] | undefined) ?? []"
          :choices="choices.filter((c) => c.value !== entry?.id)"
          :label="label"
          @change="emit('change', $event)" />
        <input
          v-else-if="field.kind === 'names'"
          v-bind="control"
          :value="((value as string[] | undefined) ?? []).join(', ')"
          :placeholder="SHEET_FIELD.oneAnother"
          @change="
            emit(
              'change',
              ($event.target as HTMLInputElement).value
                .split(',')
                .map((t) => t.trim())
                .filter(Boolean)
            )
          " />
        <input
          v-else-if="field.kind === 'number'"
          v-bind="control"
          :value="text(value)"
          inputmode="decimal"
          maxlength="16"
          @change="emit('change', figureOf(($event.target as HTMLInputElement).value))" />
        <input
          v-else
          v-bind="control"
          :value="text(value)"
          maxlength="200"
          @change="emit('change', ($event.target as HTMLInputElement).value)" />
      </template>
    </Field>
  </div>
</template>

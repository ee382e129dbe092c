<script setup lang="ts">
import { TRACE_PAGE } from '../../../words/en'
import Field from '../parts/Field.vue'

/** Which column of a file is crank, and which each cam. */
defineProps<{ wanted: readonly { id: string; label: string }[]; columns: readonly string[] }>()
const map = defineModel<Readonly<Record<string, string>>>({ required: true })
const put = (id: string, column: string) => {
  const { [id]: _, ...others } = map.value
  map.value = column ? { ...others, [id]: column } : others
}
</script>

<template>
  <section :aria-label="TRACE_PAGE.map">
    <p class="label">{{ TRACE_PAGE.map }}</p>
    <div class="grid grid-cols-2 gap-2">
      <Field v-for="one in wanted" :key="one.id" :label="one.label">
        <template #default="{ control }">
          <select
            :value="map[one.id] ?? ''"
            v-bind="control"
            :data-testid="`map-${one.id}`"
            @change="put(one.id, ($event.target as HTMLSelectElement).value)">
            <option value="">{{ TRACE_PAGE.noColumn }}</option>
            <option v-for="column in columns" :key="column" :value="column">{{ column }}</option>
          </select>
        </template>
      </Field>
    </div>
    <p class="text-note text-faint">{{ TRACE_PAGE.mapSays }}</p>
  </section>
</template>

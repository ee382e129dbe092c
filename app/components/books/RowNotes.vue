<script setup lang="ts">
import { INTAKE, sayRowNote } from '../../../words/en'
import type { PlannedRow } from '../../../core/views/history'
import FigureTable from '../parts/FigureTable.vue'

/** Rows of a file with what stands against each, or is worth knowing of it. */
defineProps<{ rows: readonly PlannedRow[]; count: number; of: 'faults' | 'notes'; caption: string }>()
</script>

<template>
  <div v-if="rows.length">
    <h3 class="mt-4 font-bold">{{ caption }}</h3>
    <div class="max-h-72 overflow-y-auto" tabindex="0" role="region" :aria-label="caption">
      <FigureTable :caption="caption" :heads="[INTAKE.row, INTAKE.why]">
        <tr v-for="row in rows" :key="row.line" class="align-top">
          <td class="figure w-20 font-normal">{{ row.line }}</td>
          <td>{{ row[of].map(sayRowNote).join('; ') }}</td>
        </tr>
      </FigureTable>
    </div>
    <p v-if="count > rows.length" class="text-note text-faint">{{ INTAKE.andMore(count - rows.length) }}</p>
  </div>
</template>

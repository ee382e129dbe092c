<script setup lang="ts">
import { COMMON, HISTORY_FIELD_NAMES, INTAKE } from '../../words/en'
import { onMounted, watch } from 'vue'
import { HISTORY_FIELDS } from '../../core/views/history'
import type { UsageUnit } from '../../core/readings'
import RowNotes from '../components/books/RowNotes.vue'
import ChoiceRow from '../components/parts/ChoiceRow.vue'
import FaultNote from '../components/parts/FaultNote.vue'
import FigureTable from '../components/parts/FigureTable.vue'
import PageFrame from '../components/parts/PageFrame.vue'
import Panel from '../components/parts/Panel.vue'
import TakeFile from '../components/parts/TakeFile.vue'
import WhenAt from '../components/parts/WhenAt.vue'
import { useIntake } from '../composables/useIntake'
import { USAGE_UNITS } from '../words'

/** Older records, taken in: columns put to fields, tried row by row, kept as one and taken out as one. */
useHead({ title: INTAKE.umbrette })
const intake = useIntake()
const { bench, problem, busy, look, fields, unit, days, tried, progress, said, earlier, list, choose, tryIt, take } =
  intake
const { callOff, undo } = intake
const units = Object.entries(USAGE_UNITS).map(([value, label]) => ({ value: value as UsageUnit, label }))
// What was tried is of these columns alone.
watch([fields, unit, days], () => (tried.value = null), { deep: true })
onMounted(() => void list())
</script>

<template>
  <PageFrame>
    <h1 class="text-2xl font-bold">{{ INTAKE.title }}</h1>
    <p class="mt-1 mb-4 max-w-3xl">{{ INTAKE.says }}</p>
    <TakeFile
      class="act-main"
      :label="INTAKE.file"
      accept=".csv,.tsv,.txt,.xlsx,text/csv"
      test-id="intake-file"
      :disabled="busy"
      @file="choose"
      >{{ INTAKE.choose }}</TakeFile
    >
    <p v-if="said" role="status" class="mt-3" data-testid="intake-said">{{ said }}</p>
    <FaultNote v-if="problem" class="mt-3">{{ problem }}</FaultNote>

    <Panel v-if="look" class="mt-4" :title="INTAKE.columns(look.rows)">
      <FigureTable class="mt-2" :caption="INTAKE.columns(look.rows)" :heads="INTAKE.heads" data-testid="columns">
        <tr v-for="(column, i) in look.columns" :key="i">
          <th scope="row" class="text-left">{{ column.heading }}</th>
          <td class="text-note text-faint">{{ column.samples.join(' · ').slice(0, 80) }}</td>
          <td class="w-72">
            <select v-model="fields[i]" class="field" :aria-label="column.heading">
              <option value="">{{ INTAKE.leftOut }}</option>
              <option v-for="field in HISTORY_FIELDS" :key="field" :value="field">
                {{ HISTORY_FIELD_NAMES[field] }}
              </option>
            </select>
          </td>
        </tr>
      </FigureTable>
      <div class="mt-4 flex flex-wrap items-end gap-6">
        <ChoiceRow v-model="unit" class="w-72" :label="INTAKE.usageIn" :options="units" />
        <ChoiceRow v-model="days" class="w-64" :label="INTAKE.days" :options="INTAKE.dayOrder" />
        <button type="button" class="act" :disabled="busy" @click="tryIt">
          {{ busy && !progress ? INTAKE.trying : INTAKE.try }}
        </button>
      </div>
    </Panel>

    <Panel v-if="tried" class="mt-4" :title="INTAKE.would" data-testid="tried">
      <p class="mt-1 text-lg">
        <b>{{ INTAKE.rowsTaken(tried.taken) }}</b>
        {{ INTAKE.brings(tried.customers.fresh, tried.vehicles.fresh, tried.jobs) }}
      </p>
      <p class="text-faint">{{ INTAKE.known(tried.customers.known, tried.vehicles.known) }}</p>
      <RowNotes :rows="tried.out" :count="tried.outCount" of="faults" :caption="INTAKE.out(tried.outCount)" />
      <RowNotes :rows="tried.noted" :count="tried.notedCount" of="notes" :caption="INTAKE.noted(tried.notedCount)" />
      <div class="mt-4 flex flex-wrap items-center gap-4">
        <p v-if="!bench.by" class="border-l-4 border-brass bg-paper p-2">{{ COMMON.whoIsAtTheBench }}</p>
        <template v-if="progress">
          <p role="status" class="figure">{{ INTAKE.taking(progress.done, progress.all) }}</p>
          <button type="button" class="act" @click="callOff">{{ INTAKE.callOff }}</button>
        </template>
        <button v-else type="button" class="act-main" :disabled="busy || !bench.by || tried.taken === 0" @click="take">
          {{ tried.outCount ? INTAKE.takeGood(tried.taken) : INTAKE.take(tried.taken) }}
        </button>
      </div>
    </Panel>

    <Panel class="mt-6" :title="INTAKE.earlier">
      <ul data-testid="intakes">
        <li
          v-for="one in earlier"
          :key="one.id"
          class="flex min-h-12 flex-wrap items-center gap-4 border-t border-rule/60 py-1">
          <b>{{ one.name }}</b>
          <span>{{ INTAKE.counts(one.counts.customers, one.counts.vehicles, one.counts.jobs) }}</span>
          <span class="text-note text-faint">{{ one.by }}, <WhenAt :at="one.at" /></span>
          <span v-if="one.undone" class="ml-auto text-note">{{ INTAKE.undone }}</span>
          <button v-else type="button" class="act-bare ml-auto" :disabled="busy" @click="undo(one.id)">
            {{ INTAKE.undo }}
          </button>
        </li>
      </ul>
      <p v-if="earlier.length === 0" class="text-note text-faint">{{ INTAKE.none }}</p>
    </Panel>
  </PageFrame>
</template>

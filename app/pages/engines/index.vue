<script setup lang="ts">
import { COMMON, ENGINES } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import type { ListedSheet } from '../../../server/store/sheets'
import ImportSheet from '../../components/engine/ImportSheet.vue'
import ProblemNote from '../../components/parts/ProblemNote.vue'
import WhenAt from '../../components/parts/WhenAt.vue'
import { shownProblem } from '../../problem'
import FaultNote from '../../components/parts/FaultNote.vue'
import Field from '../../components/parts/Field.vue'
import PageFrame from '../../components/parts/PageFrame.vue'

/** The engines this workshop has drive sheets of. */
const removed = ref(false)
const { data, error, refresh } = await useFetch<ListedSheet[]>('/api/sheets', { deep: false, query: { removed } })
const typed = ref('')
const problem = ref('')
const last = ref<ListedSheet | null>(null)
const shown = computed(() =>
  (data.value ?? []).filter(({ name }) =>
    typed.value
      .toLowerCase()
      .split(/\s+/)
      .every((word) => name.toLowerCase().includes(word))
  )
)
useHead({ title: ENGINES.enginesUmbrette })

async function remove(sheet: ListedSheet, gone: boolean) {
  try {
    await $fetch(`/api/sheets/${sheet.id}/removed`, { method: 'POST', body: { removed: gone } })
    last.value = gone ? sheet : null
    problem.value = ''
    await refresh()
  } catch (failure) {
    problem.value = shownProblem(failure).message
  }
}
</script>

<template>
  <PageFrame>
    <div class="mb-3 flex flex-wrap items-end gap-3">
      <h1 class="text-2xl font-bold">{{ removed ? ENGINES.removedEngines : COMMON.engines }}</h1>
      <Field
        v-model="typed"
        :label="ENGINES.searchEngines"
        silent
        class="ml-auto w-64"
        type="search"
        :placeholder="ENGINES.searchByName"
        maxlength="200" />
      <ImportSheet @made="(id) => navigateTo(`/engines/${id}`)" />
      <NuxtLink to="/engines/new" class="act-main flex items-center">{{ ENGINES.bringYourOwnEngine }}</NuxtLink>
    </div>
    <FaultNote v-if="problem" class="mb-2">{{ problem }}</FaultNote>
    <p v-if="last" class="mb-2 border-l-4 border-brass bg-sheet px-3" role="status">
      {{ ENGINES.takenOffTheListJobs(last.name) }}
      <button type="button" class="act-bare" @click="remove(last!, false)">{{ COMMON.takeBack }}</button>
    </p>
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <ul v-else-if="shown.length">
      <li v-for="sheet in shown" :key="sheet.id" class="relative">
        <NuxtLink
          :to="`/engines/${sheet.id}`"
          class="grid min-h-14 grid-cols-[minmax(0,1.6fr)_130px_minmax(0,1fr)_190px] items-center gap-6 border-t border-rule bg-sheet py-3 pr-28 pl-5 hover:border-brass max-md:grid-cols-1 max-md:gap-1"
          data-testid="sheet">
          <h2 class="truncate text-lg font-bold">{{ sheet.name }}</h2>
          <p>{{ sheet.charted ? ENGINES.drawn : ENGINES.counted }}</p>
          <p class="figure truncate font-normal">{{ sheet.links }}</p>
          <p class="text-note text-faint">
            {{ ENGINES.revision(sheet.revision, sheet.savedBy) }} <WhenAt :at="sheet.savedAt" /><br />{{ sheet.jobs }}
            {{ sheet.jobs === 1 ? ENGINES.job : ENGINES.jobs }}
          </p>
        </NuxtLink>
        <button
          type="button"
          class="act-bare absolute top-1/2 right-3 -translate-y-1/2"
          @click="remove(sheet, !removed)">
          {{ removed ? ENGINES.putBack : COMMON.remove }}
        </button>
      </li>
    </ul>
    <p v-else class="border-t border-rule bg-sheet p-8">
      {{ typed ? ENGINES.noEngineHasAName : removed ? ENGINES.noEngineWasRemoved : ENGINES.noEngineYetBringYour }}
    </p>
    <button type="button" class="act-bare mt-3" @click="removed = !removed">
      {{ removed ? ENGINES.backToTheEngines : ENGINES.removedEngines }}
    </button>
  </PageFrame>
</template>

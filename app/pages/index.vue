<script setup lang="ts">
import { ref } from 'vue'
import type { BoardRow } from '../../server/store/board'
import ImportJob from '../components/board/ImportJob.vue'
import JobStrip from '../components/board/JobStrip.vue'
import NewJob from '../components/board/NewJob.vue'
import ProblemNote from '../components/parts/ProblemNote.vue'
import TopBar from '../components/parts/TopBar.vue'

/** The board: what stands where, and what each job waits for. */
const { data: jobs, error, refresh } = await useFetch<BoardRow[]>('/api/board', { deep: false })
const making = ref(false)
const enter = (id: string) => navigateTo(`/jobs/${id}`)
useHead({ title: 'Board · Umbrette' })
</script>

<template>
  <div>
    <TopBar><p class="font-bold">Saltmarsh Works</p></TopBar>
    <main class="mx-auto max-w-[1240px] px-6 py-6">
      <div class="mb-4 flex flex-wrap items-end gap-3">
        <h1 class="flex-1 text-2xl font-bold">On the stands</h1>
        <ImportJob @made="enter" />
        <button type="button" class="act-main" @click="making = true">New job</button>
      </div>
      <ProblemNote v-if="error" :error="error" @retry="refresh()" />
      <div v-else-if="jobs?.length"><JobStrip v-for="job in jobs" :key="job.id" :job="job" /></div>
      <p v-else class="border-t border-rule bg-sheet p-8">No job is open. Start with a new one, or import a job file.</p>
      <NewJob v-model:open="making" @made="enter" />
    </main>
  </div>
</template>

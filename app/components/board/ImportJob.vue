<script setup lang="ts">
import { IMPORT_JOB } from '../../../words/en'
import { ArrowUpTrayIcon } from '@heroicons/vue/20/solid'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import { shownProblem, type ShownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import FileProblem from '../parts/FileProblem.vue'
import TakeFile from '../parts/TakeFile.vue'

/** Takes in a job file from another machine; what is wrong with one is told line by line, and nothing is kept of it. */
const emit = defineEmits<{ made: [id: string] }>()
const LIMIT_MB = 4096

const bench = useBench()
const busy = ref(false)
const problem = ref<(Pick<ShownProblem, 'message' | 'faults'> & { file: string }) | null>(null)

async function take(file: File) {
  problem.value = null
  if (file.size > LIMIT_MB * 1024 * 1024) {
    problem.value = {
      file: file.name,
      message: IMPORT_JOB.theFileIsLargerThan(LIMIT_MB / 1024),
      faults: []
    }
    return
  }
  busy.value = true
  try {
    const { id } = await $fetch<{ id: string }>('/api/jobs/import', {
      method: 'POST',
      query: { by: bench.by, id: crypto.randomUUID() },
      retry: 2,
      body: file,
      headers: { 'content-type': 'application/octet-stream' }
    })
    emit('made', id)
  } catch (error) {
    problem.value = { file: file.name, ...shownProblem(error) }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="contents">
    <TakeFile
      class="act flex items-center gap-2"
      :disabled="busy"
      :label="IMPORT_JOB.jobFileToImport"
      accept=".json,.ndjson,application/json"
      @file="take">
      <ArrowUpTrayIcon class="size-4" aria-hidden="true" />{{ IMPORT_JOB.importAJob }}
    </TakeFile>
    <FileProblem v-if="problem" :problem="problem" @understood="problem = null" />
  </div>
</template>

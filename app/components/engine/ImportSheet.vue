<script setup lang="ts">
import { IMPORT_SHEET } from '../../../words/en'
import { ArrowUpTrayIcon } from '@heroicons/vue/20/solid'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import { shownProblem, type ShownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import FileProblem from '../parts/FileProblem.vue'
import TakeFile from '../parts/TakeFile.vue'

/** Takes in a drive sheet from a file; what is wrong with one is told place by place, and nothing is kept of it. */
const emit = defineEmits<{ made: [id: string] }>()
const LIMIT_KB = 512

const bench = useBench()
const problem = ref<(Pick<ShownProblem, 'message' | 'faults'> & { file: string; value?: unknown }) | null>(null)

async function take(file: File) {
  problem.value = null
  let sheet: unknown
  try {
    if (!bench.by) throw told(IMPORT_SHEET.chooseWhoIsAtThe)
    if (file.size > LIMIT_KB * 1024) throw told(IMPORT_SHEET.theFileIsLargerThan(LIMIT_KB))
    sheet = parsed(await file.text())
    emit(
      'made',
      (
        await $fetch<{ id: string }>('/api/sheets', {
          method: 'POST',
          body: { sheet, basedOn: 0, by: bench.by, note: IMPORT_SHEET.from(file.name).slice(0, 400) }
        })
      ).id
    )
  } catch (error) {
    problem.value = { file: file.name, ...shownProblem(error), value: sheet }
  }
}

/** A failure of this page in the shape of the server's. */
const told = (message: string) => ({ statusCode: 422, data: { error: { message, faults: [] } } })

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw told(IMPORT_SHEET.thatIsNotJsonSend)
  }
}
</script>

<template>
  <div class="contents">
    <TakeFile
      class="act flex items-center gap-2"
      :label="IMPORT_SHEET.driveSheetToImport"
      accept=".json,application/json"
      @file="take">
      <ArrowUpTrayIcon class="size-4" aria-hidden="true" />{{ IMPORT_SHEET.importASheet }}
    </TakeFile>
    <FileProblem v-if="problem" :problem="problem" @understood="problem = null" />
  </div>
</template>

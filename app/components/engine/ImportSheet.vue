<script setup lang="ts">
import { ArrowUpTrayIcon } from '@heroicons/vue/20/solid'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import { shownProblem, type ShownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import Panel from '../parts/Panel.vue'

/** Takes in a drive sheet from a file; what is wrong with one is told place by place, and nothing is kept of it. */
const emit = defineEmits<{ made: [id: string] }>()
const LIMIT_KB = 512

const bench = useBench()
const input = ref<HTMLInputElement | null>(null)
const problem = ref<(Pick<ShownProblem, 'message' | 'faults'> & { file: string }) | null>(null)

async function take(file: File | undefined) {
  if (!file) return
  problem.value = null
  try {
    if (!bench.by) throw told('Choose who is at the bench first: the name stands on the revision.')
    if (file.size > LIMIT_KB * 1024) throw told(`The file is larger than ${LIMIT_KB} kB: it is no drive sheet.`)
    const sheet = parsed(await file.text())
    emit(
      'made',
      (
        await $fetch<{ id: string }>('/api/sheets', {
          method: 'POST',
          body: { sheet, basedOn: 0, by: bench.by, note: `From ${file.name}`.slice(0, 400) }
        })
      ).id
    )
  } catch (error) {
    problem.value = { file: file.name, ...shownProblem(error) }
  } finally {
    if (input.value) input.value.value = ''
  }
}

/** A failure of this page in the shape of the server's. */
const told = (message: string) => ({ statusCode: 422, data: { error: { message, faults: [] } } })

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw told('That is not JSON: send a whole, unbroken file.')
  }
}
</script>

<template>
  <div class="contents">
    <button type="button" class="act flex items-center gap-2" @click="input?.click()">
      <ArrowUpTrayIcon class="size-4" aria-hidden="true" />Import a sheet
    </button>
    <input
      ref="input"
      type="file"
      accept=".json,application/json"
      class="sr-only"
      tabindex="-1"
      aria-label="Drive sheet to import"
      @change="take(($event.target as HTMLInputElement).files?.[0])" />
    <Panel v-if="problem" tone="fault" class="order-last basis-full" role="alert" data-testid="import-problem">
      <p class="font-bold">{{ problem.file }}: {{ problem.message }}</p>
      <ul class="mt-1 space-y-1">
        <li v-for="fault in problem.faults.slice(0, 12)" :key="fault.place + fault.message">
          <code class="figure font-normal">{{ fault.place || 'file' }}</code> {{ fault.message }}
        </li>
      </ul>
      <p v-if="problem.faults.length > 12" class="text-faint">… and {{ problem.faults.length - 12 }} more.</p>
      <button type="button" class="act-bare" @click="problem = null">Understood</button>
    </Panel>
  </div>
</template>

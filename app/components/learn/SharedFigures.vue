<script setup lang="ts">
import { SHARED_FIGURES } from '../../../words/en'
import { ArrowDownTrayIcon, ArrowUpTrayIcon } from '@heroicons/vue/20/solid'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import type { TakenIn } from '../../../server/store/learntFiles'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'
import WhenAt from '../parts/WhenAt.vue'
import TakeFile from '../parts/TakeFile.vue'

/** What other workshops have learnt, taken in from their files, and this one's to give away. */
defineProps<{ taken: readonly TakenIn[] }>()
const emit = defineEmits<{ changed: [] }>()
const LIMIT = 1024 * 1024

const bench = useBench()
const problem = ref('')

async function ask(work: () => Promise<unknown>) {
  problem.value = ''
  try {
    await work()
    emit('changed')
  } catch (error) {
    const { message, faults } = shownProblem(error)
    problem.value = [message, ...faults.slice(0, 5).map((fault) => `${fault.place}: ${fault.message}`)].join(' ')
  }
}

async function take(file: File) {
  if (file.size > LIMIT) problem.value = SHARED_FIGURES.tooLarge
  else
    await ask(() =>
      $fetch('/api/learnt/import', {
        method: 'POST',
        query: { by: bench.by },
        body: file,
        headers: { 'content-type': 'application/json' }
      })
    )
}

const setOut = ({ from }: TakenIn, out: boolean) =>
  ask(() => $fetch(`/api/learnt/${encodeURIComponent(from)}/out`, { method: 'POST', body: { out } }))
const enginesOf = ({ types }: TakenIn) => types.reduce((sum, { engines }) => sum + engines, 0)
</script>

<template>
  <Panel :title="SHARED_FIGURES.title" data-testid="shared-figures">
    <p class="text-note text-faint">{{ SHARED_FIGURES.lead }}</p>
    <div class="mt-2 flex flex-wrap gap-2">
      <a href="/api/learnt/export" download class="act flex items-center gap-2" data-testid="give-away"
        ><ArrowDownTrayIcon class="size-4" aria-hidden="true" />{{ SHARED_FIGURES.giveAway }}</a
      >
      <TakeFile
        class="act flex items-center gap-2"
        :label="SHARED_FIGURES.fileToTakeIn"
        accept=".json,application/json"
        @file="take">
        <ArrowUpTrayIcon class="size-4" aria-hidden="true" />{{ SHARED_FIGURES.takeIn }}
      </TakeFile>
    </div>
    <FaultNote v-if="problem" class="mt-2" data-testid="shared-problem">{{ problem }}</FaultNote>
    <ul v-if="taken.length" class="mt-2">
      <li v-for="one in taken" :key="one.from" class="border-t border-rule py-1 text-note" data-testid="taken-in">
        <p :class="one.out ? 'text-faint line-through' : ''">
          {{
            SHARED_FIGURES.takenIn(
              enginesOf(one),
              one.types.map(({ name }) => name)
            )
          }}
        </p>
        <p class="text-faint">
          {{ SHARED_FIGURES.by(one.by) }} <WhenAt :at="one.takenAt" />.
          {{ one.out ? SHARED_FIGURES.takenOut : SHARED_FIGURES.notProven }}
        </p>
        <button type="button" class="act-bare" @click="setOut(one, !one.out)">
          {{ one.out ? SHARED_FIGURES.putBack : SHARED_FIGURES.takeOut }}
        </button>
      </li>
    </ul>
  </Panel>
</template>

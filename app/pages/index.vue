<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { JobState, StateAct } from '../../core/job/acts'
import type { BoardPage } from '../../server/store/board'
import ImportJob from '../components/board/ImportJob.vue'
import JobStrip from '../components/board/JobStrip.vue'
import NewJob from '../components/board/NewJob.vue'
import ProblemNote from '../components/parts/ProblemNote.vue'
import TopBar from '../components/parts/TopBar.vue'
import { useBench } from '../stores/bench'
import { useOutbox } from '../stores/outbox'
import { STATE_WORDS } from '../words'

/** The board: what stands where, what each job waits for, holds first; and where closed, archived and deleted jobs are found. */
const bench = useBench()
const outbox = useOutbox()
const state = ref<JobState>('open')
const typed = ref('')
const search = ref('')
const page = ref(0)
const { data, error, refresh } = await useFetch<BoardPage>('/api/board', { deep: false, query: { state, search, page } })
const making = ref(false)
/** What was last moved, to be taken back. */
const moved = ref<{ jobId: string; act: StateAct; vehicle: string } | null>(null)
const refused = ref('')
const enter = (id: string) => navigateTo(`/jobs/${id}`)
const LISTS = Object.entries(STATE_WORDS) as [JobState, (typeof STATE_WORDS)[JobState]][]
const empty = computed(() => (search.value ? 'No job here is known by these words.' : STATE_WORDS[state.value].empty))

const look = useDebounceFn(() => (search.value = typed.value.trim()), 200)
watch(typed, () => void look())
watch([state, search], () => (page.value = 0))
// What was moved has reached the database: look again.
watch(() => outbox.waiting.length, (now, before) => { if (now < before) void refresh() })
useHead({ title: 'Board · Umbrette' })

function move(job: BoardPage['rows'][number], to: JobState) {
  refused.value = bench.by ? '' : 'Choose who is at the bench first: the name stands on what is done.'
  if (refused.value) return
  const act: StateAct = { id: crypto.randomUUID(), by: bench.by, at: new Date().toISOString(), type: 'state', state: to }
  outbox.put(job.id, act)
  moved.value = { jobId: job.id, act, vehicle: job.vehicle }
}

function takeBack() {
  if (!moved.value) return
  outbox.put(moved.value.jobId, { id: crypto.randomUUID(), by: bench.by, at: new Date().toISOString(), type: 'undo', act: moved.value.act.id })
  moved.value = null
}
</script>

<template>
  <div>
    <TopBar><p class="font-bold">Saltmarsh Works</p></TopBar>
    <main class="mx-auto max-w-[1240px] px-6 py-5 max-md:px-2">
      <div class="mb-3 flex flex-wrap items-end gap-3">
        <h1 class="text-2xl font-bold">{{ STATE_WORDS[state].title }}</h1>
        <label class="ml-auto w-72"><span class="sr-only">Search jobs</span><input v-model="typed" type="search" class="field" placeholder="Search: vehicle, engine, words" maxlength="200" data-testid="search"></label>
        <ImportJob @made="enter" />
        <button type="button" class="act-main" @click="making = true">New job</button>
      </div>
      <nav class="mb-2 flex gap-1 text-[13px]" aria-label="Lists of jobs">
        <button v-for="[key, words] in LISTS" :key="key" type="button" class="min-h-11 border-b-2 px-2" :class="key === state ? 'border-brass font-bold' : 'border-transparent text-faint'" :aria-pressed="key === state" @click="state = key">{{ words.title }}</button>
      </nav>
      <p v-if="refused" class="mb-2 font-bold text-renew" role="alert">{{ refused }}</p>
      <p v-if="moved" class="mb-2 border-l-4 border-brass bg-sheet px-3" role="status" data-testid="moved">{{ moved.vehicle }}: {{ STATE_WORDS[moved.act.state].done }}. <button type="button" class="act-bare" @click="takeBack">Take back</button></p>
      <ProblemNote v-if="error" :error="error" @retry="refresh()" />
      <div v-else-if="data?.rows.length"><JobStrip v-for="job in data.rows" :key="job.id" :job="job" :state="state" @move="move(job, $event)" /></div>
      <p v-else class="border-t border-rule bg-sheet p-8">{{ empty }}</p>
      <nav v-if="data && data.pages > 1" class="mt-3 flex items-center gap-3" aria-label="Pages">
        <button type="button" class="act" :disabled="page === 0" @click="page--">Newer</button>
        <span>Page <span class="figure">{{ page + 1 }}</span> of {{ data.pages }}, {{ data.total }} jobs</span>
        <button type="button" class="act" :disabled="page + 1 >= data.pages" @click="page++">Older</button>
      </nav>
      <NewJob v-model:open="making" @made="enter" />
    </main>
  </div>
</template>

<script setup lang="ts">
import { midSentence } from '../../words/spoken'
import { BOARD, COMMON, STATE_WORDS, WAITS_WORDS } from '../../words/en'
import { useDebounceFn, useThrottleFn } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue'
import type { Act, ActOf, JobState, WaitsFor } from '../../core/record'
import type { BoardPage } from '../../server/store/board'
import DueChecks from '../components/board/DueChecks.vue'
import ImportJob from '../components/board/ImportJob.vue'
import JobStrip from '../components/board/JobStrip.vue'
import NeedsNow from '../components/board/NeedsNow.vue'
import OtherFinds from '../components/board/OtherFinds.vue'
import StartGuide from '../components/board/StartGuide.vue'
import WaitsForDialog from '../components/board/WaitsFor.vue'
import ProblemNote from '../components/parts/ProblemNote.vue'
import { keepAnswer } from '../offline/answers'
import { shownProblem } from '../problem'
import type { ToldHold } from '../../server/store/acts'
import { useLive } from '../composables/useLive'
import { useBench } from '../stores/bench'
import { useOutbox } from '../stores/outbox'
import FaultNote from '../components/parts/FaultNote.vue'
import PagerRow from '../components/parts/PagerRow.vue'
import Field from '../components/parts/Field.vue'
import PageFrame from '../components/parts/PageFrame.vue'

/** Opened now and then: kept out of what every page loads ahead. */
const CloseJob = defineAsyncComponent(() => import('../components/board/CloseJob.vue'))
const EraseJob = defineAsyncComponent(() => import('../components/board/EraseJob.vue'))
const NewJob = defineAsyncComponent(() => import('../components/board/NewJob.vue'))

/**
 * The board: what stands where, what each job waits for, holds first; and where closed, archived and deleted jobs are
 * found.
 */
const bench = useBench()
const outbox = useOutbox()
const state = ref<JobState>('open')
const typed = ref('')
const search = ref('')
const page = ref(0)
const { data, error, refresh } = await useFetch<BoardPage>('/api/board', {
  deep: false,
  query: { state, search, page }
})
const nuxt = useNuxtApp()
onMounted(() => {
  // What came with the page was not asked for by it: it is kept for when the server is away.
  if (nuxt.payload.serverRendered && data.value) void keepAnswer('/api/board?state=open&page=0', data.value)
})
const making = ref(false)
/** Was a new job asked for yet? */
const asking = ref(false)
/** What was last moved or said to wait, to be taken back. */
const moved = ref<{ jobId: string; act: string; words: string } | null>(null)
const asked = ref<{ id: string; vehicle: string; for: WaitsFor } | null>(null)
const refused = ref('')
const enter = (id: string) => navigateTo(`/jobs/${id}`)
const LISTS = Object.entries(STATE_WORDS) as [JobState, (typeof STATE_WORDS)[JobState]][]
const empty = computed(() => (search.value ? BOARD.noJobHereIsKnown : STATE_WORDS[state.value].empty))

const look = useDebounceFn(() => (search.value = typed.value.trim()), 200)
watch(typed, () => void look())
watch([state, search], () => (page.value = 0))
// What was moved has reached the database: look again.
watch(
  () => outbox.waiting.length,
  (now, before) => {
    if (now < before) void refresh()
  }
)
// What others did, or a customer chose, shows as soon as its summary is made.
const lookAgain = useThrottleFn(() => refresh(), 500, true)
useLive((happened) => {
  if (happened === null || (happened.place === null && !happened.part)) void lookAgain()
})
useHead({ title: BOARD.boardUmbrette })

type Said =
  | { type: 'release'; hold: string; reason: string }
  | { type: 'state'; state: JobState }
  | { type: 'waits'; for: WaitsFor; note?: string }
  | { type: 'undo'; act: string }

/** Puts an act on a job; null while nobody is at the bench. */
function put(jobId: string, what: Said): Act | null {
  refused.value = bench.by ? '' : BOARD.chooseWhoIsAtThe
  if (refused.value) return null
  const act = { id: crypto.randomUUID(), by: bench.by, at: new Date().toISOString(), ...what } as Act
  outbox.put(jobId, act)
  return act
}

/** A job that is to be closed and is held. */
const erasing = ref<{ id: string; vehicle: string } | null>(null)
const held = ref<{ id: string; vehicle: string; holds: readonly ToldHold[] } | null>(null)

/** A job closes here as it does at its proof: what holds it is named, and released by reason, or it stays open. */
async function move({ id, vehicle }: { id: string; vehicle: string }, to: JobState) {
  if (to !== 'closed') return moveNow({ id, vehicle }, to)
  try {
    const holds = await $fetch<ToldHold[]>(`/api/jobs/${id}/holds`, { retry: 0 })
    if (holds.length > 0) held.value = { id, vehicle, holds }
    else moveNow({ id, vehicle }, to)
  } catch (error) {
    refused.value = BOARD.wasNotClosed(vehicle, shownProblem(error).message)
  }
}

function closeHeld(reason: string) {
  if (!held.value) return
  const { id, vehicle, holds } = held.value
  const released = holds.every(({ id: hold }) => put(id, { type: 'release', hold, reason }))
  if (released) moveNow({ id, vehicle }, 'closed')
  held.value = null
}

function moveNow({ id, vehicle }: { id: string; vehicle: string }, to: JobState) {
  const act = put(id, { type: 'state', state: to }) as ActOf<'state'> | null
  if (act) moved.value = { jobId: id, act: act.id, words: `${vehicle}: ${STATE_WORDS[to].done}` }
}

function ask(job: { id: string; vehicle: string }, what: WaitsFor) {
  asked.value = { id: job.id, vehicle: job.vehicle, for: what }
  if (what === 'nothing') say('')
}

function say(note: string) {
  if (!asked.value) return
  const { id, vehicle, for: what } = asked.value
  const act = put(id, { type: 'waits', for: what, ...(note ? { note } : {}) })
  if (act) moved.value = { jobId: id, act: act.id, words: `${vehicle}: ${midSentence(WAITS_WORDS[what].says)}` }
  asked.value = null
}

function takeBack() {
  if (moved.value && put(moved.value.jobId, { type: 'undo', act: moved.value.act })) moved.value = null
}
</script>

<template>
  <PageFrame>
    <div class="mb-3 flex flex-wrap items-end gap-3">
      <h1 class="text-2xl font-bold">{{ STATE_WORDS[state].title }}</h1>
      <Field
        v-model="typed"
        :label="BOARD.searchJobs"
        silent
        class="ml-auto w-72"
        type="search"
        :placeholder="BOARD.searchJobsVehiclesEngines"
        maxlength="200"
        data-testid="search" />
      <StartGuide v-if="state === 'open'" @refused="refused = $event" />
      <ImportJob @made="enter" />
      <button type="button" class="act-main" @click="asking = making = true">{{ COMMON.newJob }}</button>
    </div>
    <nav class="mb-2 flex gap-1 text-note" :aria-label="BOARD.listsOfJobs">
      <button
        v-for="[key, words] in LISTS"
        :key="key"
        type="button"
        class="min-h-11 border-b-2 px-2"
        :class="key === state ? 'border-brass font-bold' : 'border-transparent text-faint'"
        :aria-pressed="key === state"
        @click="state = key">
        {{ words.title }}
      </button>
    </nav>
    <FaultNote v-if="refused" class="mb-2">{{ refused }}</FaultNote>
    <p v-if="moved" class="mb-2 border-l-4 border-brass bg-sheet px-3" role="status" data-testid="moved">
      {{ moved.words }}. <button type="button" class="act-bare" @click="takeBack">{{ COMMON.takeBack }}</button>
    </p>
    <OtherFinds :search="search" />
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <div v-else-if="data?.rows.length">
      <NeedsNow v-if="state === 'open' && !search && page === 0" :jobs="data.rows" />
      <JobStrip
        v-for="job in data.rows"
        :key="job.id"
        :job="job"
        :state="state"
        @move="move(job, $event)"
        @waits="ask(job, $event)"
        @erase="erasing = job" />
    </div>
    <p v-else class="border-t border-rule bg-sheet p-8">{{ empty }}</p>
    <PagerRow v-if="data" v-model="page" :pages="data.pages" :before="BOARD.newer" :after="BOARD.older">{{
      BOARD.jobs(data.total)
    }}</PagerRow>
    <DueChecks v-if="state === 'open'" />
    <WaitsForDialog v-model="asked" @say="say" />
    <EraseJob v-if="erasing" v-model="erasing" @erased="refresh()" />
    <CloseJob v-if="held" v-model="held" @close="closeHeld" />
    <NewJob v-if="asking" v-model:open="making" @made="enter" />
  </PageFrame>
</template>

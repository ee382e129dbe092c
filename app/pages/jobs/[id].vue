<script setup lang="ts">
import { JOB_FRAME } from '../../../words/en'
import { useMounted, watchDebounced } from '@vueuse/core'
import { computed, onMounted, onUnmounted, watch } from 'vue'
import { readyEstimator } from '../../composables/useEstimator'
import { keepAnswer } from '../../offline/answers'
import { useGuided } from '../../guided'
import { later, loadLater } from '../../later'
import { useLiveActs } from '../../composables/useLiveActs'
import { useJob, type LoadedJob } from '../../stores/job'
import { useOutbox } from '../../stores/outbox'
import ProblemNote from '../../components/parts/ProblemNote.vue'
import TopBar from '../../components/parts/TopBar.vue'

const GuideStrip = later(() => import('../../components/parts/GuideStrip.vue'))

/** Loads the job that bench and verdict share. */
const route = useRoute()
const nuxt = useNuxtApp()
const job = useJob()
const outbox = useOutbox()
const isMounted = useMounted()
// One key for whichever job is open: with one for each, every job opened stays with the page for as long as it stands.
const { data, error, refresh } = await useFetch<LoadedJob>(() => `/api/jobs/${String(route.params.id)}`, {
  key: 'job',
  deep: false
})

watch(
  data,
  (loaded) => {
    if (loaded) job.open(loaded)
    if (isMounted.value) catchUp()
  },
  { immediate: true }
)
useLiveActs()
/** A long job comes with what it was found to be some acts ago. */
function catchUp() {
  if (job.behind > 0) void job.recompute()
}
/** Keeps the job as it stands here, for a reload while the server is away. */
function keep() {
  const loaded = job.loaded()
  if (loaded) void keepAnswer(`/api/jobs/${loaded.id}`, loaded)
}
let stop: (() => void) | undefined
onMounted(() => {
  // Without the server the page is made of what was kept, and what came to that since.
  if (!nuxt.payload.serverRendered) void job.recompute()
  else catchUp()
  watchDebounced(() => [job.id, job.held()], keep, { debounce: 300, maxWait: 1000 })
  if (nuxt.payload.serverRendered) keep()
  stop = outbox.onDelivered(job.confirm)
  loadLater(readyEstimator)
})
// What waits on this device belongs to the estimate too.
watch(
  () => outbox.ready,
  (ready) => {
    if (ready && outbox.waiting.some(({ jobId }) => jobId === job.id)) void job.recompute()
  },
  { immediate: true }
)
/** Is this the job that somebody is guided through on this device? */
const guided = useGuided()
const isGuided = computed(() => isMounted.value && guided.value.job !== '' && guided.value.job === job.id)
onUnmounted(() => stop?.())
useHead({ title: () => (job.job ? JOB_FRAME.umbrette(job.job.vehicle) : 'Umbrette') })
</script>

<template>
  <div v-if="data && job.job" :class="isGuided ? 'guided' : ''">
    <ClientOnly><GuideStrip v-if="isGuided" /></ClientOnly>
    <p
      v-if="job.behind > 0 && !job.failed"
      class="fixed right-2 bottom-2 z-20 border border-rule bg-sheet px-3 py-2"
      role="status">
      {{ JOB_FRAME.judgedBefore(job.behind) }}
    </p>
    <NuxtPage />
  </div>
  <div v-else>
    <TopBar />
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <p v-else class="p-8" role="status">{{ JOB_FRAME.openingTheJob }}</p>
  </div>
</template>

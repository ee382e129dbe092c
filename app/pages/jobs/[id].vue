<script setup lang="ts">
import { JOB_FRAME } from '../../../words/en'
import { onMounted, onUnmounted, watch } from 'vue'
import { readyEstimator } from '../../composables/useEstimator'
import { loadLater } from '../../later'
import { useLiveActs } from '../../composables/useLiveActs'
import { useJob, type LoadedJob } from '../../stores/job'
import { useOutbox } from '../../stores/outbox'
import ProblemNote from '../../components/parts/ProblemNote.vue'
import TopBar from '../../components/parts/TopBar.vue'

/** Loads the job that bench and verdict share. */
const route = useRoute()
const job = useJob()
const outbox = useOutbox()
const { data, error, refresh } = await useFetch<LoadedJob>(() => `/api/jobs/${String(route.params.id)}`, {
  deep: false
})

watch(
  data,
  (loaded) => {
    if (loaded) job.open(loaded)
  },
  { immediate: true }
)
useLiveActs()
let stop: (() => void) | undefined
onMounted(() => {
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
onUnmounted(() => stop?.())
useHead({ title: () => (job.job ? JOB_FRAME.umbrette(job.job.vehicle) : 'Umbrette') })
</script>

<template>
  <NuxtPage v-if="data && job.job" />
  <div v-else>
    <TopBar />
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <p v-else class="p-8" role="status">{{ JOB_FRAME.openingTheJob }}</p>
  </div>
</template>

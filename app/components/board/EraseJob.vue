<script setup lang="ts">
import { COMMON, ERASING } from '../../../words/en'
import { $fetch } from 'ofetch'
import { useAttempt } from '../../composables/useAttempt'
import { forgetAnswers } from '../../offline/answers'
import { useBench } from '../../stores/bench'
import Caution from '../parts/Caution.vue'
import FormEnd from '../parts/FormEnd.vue'
import ModalSheet from '../parts/ModalSheet.vue'

/** Erases a deleted job for good. */
const job = defineModel<{ id: string; vehicle: string } | null>({ required: true })
const emit = defineEmits<{ erased: [] }>()
const bench = useBench()
const { problem, busy, attempt } = useAttempt()

async function erase() {
  const path = `/api/jobs/${job.value!.id}/erased`
  if (!(await attempt(() => $fetch(path, { method: 'POST', body: { by: bench.by }, retry: 0 })))) return
  await forgetAnswers({ signOutLater: false })
  job.value = null
  emit('erased')
}
</script>

<template>
  <ModalSheet :open="job !== null" :title="ERASING.job" width="max-w-xl" @close="job = null">
    <form class="mt-3 space-y-4" data-testid="erase-job" @submit.prevent="erase">
      <Caution :lead="ERASING.lead">{{ ERASING.says }}</Caution>
      <p>{{ ERASING.jobSays(job?.vehicle ?? '') }}</p>
      <p v-if="!bench.by" class="border-l-4 border-brass bg-paper p-2">{{ COMMON.whoIsAtTheBench }}</p>
      <FormEnd :label="ERASING.erase" :problem="problem" :disabled="busy || !bench.by" @cancel="job = null" />
    </form>
  </ModalSheet>
</template>

<script setup lang="ts">
import { GUIDE_WORDS } from '../../../words/en'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import { GUIDE, GUIDED_JOB } from '../../guide'
import { useGuided } from '../../guided'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'

/** Begins a job with its figures told, for who has never done one here. */
const emit = defineEmits<{ refused: [why: string] }>()
const who = useBench()
const guided = useGuided()
const busy = ref(false)

async function start() {
  if (!who.by) return emit('refused', GUIDE_WORDS.whoFirst)
  busy.value = true
  try {
    const { id } = await $fetch<{ id: string }>('/api/jobs', {
      method: 'POST',
      body: { ...GUIDED_JOB, vehicle: GUIDE_WORDS.vehicle, complaint: GUIDE_WORDS.complaint, openedBy: who.by }
    })
    guided.value = { job: id, begun: new Date().toISOString() }
    await navigateTo(`/jobs/${id}${GUIDE[0]!.at}`)
  } catch (failure) {
    emit('refused', shownProblem(failure).message)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <button type="button" class="act" :disabled="busy" data-testid="start-guide" @click="start">
    {{ GUIDE_WORDS.start }}
  </button>
</template>

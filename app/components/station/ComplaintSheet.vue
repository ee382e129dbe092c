<script setup lang="ts">
import { computed } from 'vue'
import { ENGINE_GROUPS } from '../../../core/views/bench'
import { useJob } from '../../stores/job'
import FindingKeys from '../bench/FindingKeys.vue'
import { usageWords } from '../../words'

/** Station 1: what is heard and when, codes, oil, and what was done before. */
const job = useJob()
const banks = computed(() => [
  ...new Set(job.job!.sheet.sprockets.flatMap(({ bank }) => (bank === undefined ? [] : [bank])))
])
</script>

<template>
  <section class="min-h-0 overflow-y-auto bg-paper p-5" aria-label="Complaint">
    <h2 class="text-2xl font-bold">What is it brought in for?</h2>
    <p class="mt-1 text-lg">{{ job.job!.complaint || 'No complaint was written down.' }}</p>
    <p class="text-note text-faint">{{ usageWords(job.job!.usage) }}, opened by {{ job.job!.openedBy }}</p>
    <FindingKeys class="mt-4" target="engine" :groups="ENGINE_GROUPS[1]!" :banks="banks" wide />
  </section>
</template>

<script setup lang="ts">
import { COMMON, COMPLAINT_SHEET } from '../../../words/en'
import { computed } from 'vue'
import { banksOf } from '../../../core/sheet'
import { ENGINE_GROUPS } from '../../../core/views/bench'
import { useOpenJob } from '../../stores/job'
import { later } from '../../later'
import FindingKeys from '../bench/FindingKeys.vue'
import { usageWords } from '../../words'

/** Station 1: what is heard and when, codes, oil, and what was done before. */
const UsageFix = later(() => import('./UsageFix.vue'))
const job = useOpenJob()
const banks = computed(() => banksOf(job.job.sheet))
</script>

<template>
  <section class="min-h-0 overflow-y-auto bg-paper p-5" :aria-label="COMMON.complaint">
    <h2 class="text-2xl font-bold">{{ COMPLAINT_SHEET.whatIsItBroughtIn }}</h2>
    <p class="mt-1 text-lg">{{ job.job.complaint || COMPLAINT_SHEET.noComplaintWasWrittenDown }}</p>
    <div class="text-note text-faint">
      {{ COMPLAINT_SHEET.openedBy(usageWords(job.job.usage), job.job.openedBy) }}
      <ClientOnly><UsageFix /></ClientOnly>
    </div>
    <NuxtLink
      class="act mt-3 inline-flex items-center"
      :to="`/jobs/${job.id}/sound`"
      :prefetch="false"
      data-testid="to-sound"
      >{{ COMPLAINT_SHEET.listenToIt }}</NuxtLink
    >
    <FindingKeys class="mt-4" target="engine" :groups="ENGINE_GROUPS[1]!" :banks="banks" wide />
  </section>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { plainVerdict } from '../../../../core/calls/plainVerdict'
import { SEVERITY } from '../../../../core/calls/types'
import DriveMap from '../../../components/map/DriveMap.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import PartVerdict from '../../../components/verdict/PartVerdict.vue'
import SchoolPicker from '../../../components/verdict/SchoolPicker.vue'
import { useJob } from '../../../stores/job'
import { useBench } from '../../../stores/bench'
import { SCHOOL_WORDS, usageWords } from '../../../words'

/** The verdict: what happened in plain words, then a call for each part with its reasons, the severest first. */
const job = useJob()
const bench = useBench()

const calls = computed(() => [...job.assessment!.calls].sort((a, b) => SEVERITY.indexOf(b.call) - SEVERITY.indexOf(a.call)))
const sentences = computed(() => plainVerdict(job.job!.sheet, job.assessment!))
const atBench = computed(() => `/jobs/${job.id}`)
const school = computed({
  get: () => job.record.school,
  set: (value) => job.put({ type: 'school', school: value })
})
</script>

<template>
  <div>
    <TopBar>
      <h1 class="truncate leading-tight"><b>{{ job.job!.vehicle }}</b> <span class="text-faint">verdict, {{ usageWords(job.job!.usage) }}</span></h1>
      <p class="truncate text-[13px] text-faint">{{ job.job!.sheet.name }}</p>
      <template #acts>
        <NuxtLink :to="atBench" class="act flex items-center">Back to the bench</NuxtLink>
      </template>
    </TopBar>
    <main class="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)_440px] gap-8 px-6 py-6">
      <div>
        <h2 class="sr-only">What happened</h2>
        <p v-for="sentence in sentences" :key="sentence" class="text-xl leading-snug" data-testid="plain">{{ sentence }}</p>
        <p v-if="job.failed" class="mt-2 font-bold text-renew" role="alert">{{ job.failed }}</p>
        <h2 class="mt-6 mb-2 label">Calls, part by part</h2>
        <PartVerdict v-for="call in calls" :key="call.part" :sheet="job.job!.sheet" :call="call" :readings="job.record.readings" :bench="atBench" />
        <p class="mt-4 border-l-8 border-hazard bg-sheet p-3 text-[13px]"><b>Caution.</b> The maker's manual for this engine is the authority for every figure; local rules and qualified practice come first. The customer decides what is done. {{ job.job!.sheet.note }}</p>
      </div>
      <div class="space-y-4">
        <ClientOnly>
          <SchoolPicker v-if="bench.by" v-model="school" />
          <p v-else class="border-l-4 border-brass bg-sheet p-3">Judged {{ SCHOOL_WORDS[job.record.school].toLowerCase() }}. Choose who is at the bench to judge under another school.</p>
        </ClientOnly>
        <div class="h-[520px] bg-plate"><ClientOnly><DriveMap :sheet="job.job!.sheet" :corrections="job.corrections" :assessment="job.assessment!" :readings="job.record.readings" narrow /></ClientOnly></div>
      </div>
    </main>
  </div>
</template>

<script setup lang="ts">
import { HOW_PAGE } from '../../../../words/en'
import { computed } from 'vue'
import { inspectionsOf } from '../../../../core/views/practice'
import HowPane from '../../../components/bench/HowPane.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import { useOpenJob } from '../../../stores/job'

/** How everything on this engine is read, to be looked through or printed. */
const job = useOpenJob()
const inspections = computed(() => inspectionsOf(job.job.sheet))
const print = () => window.print()
useHead({ title: () => HOW_PAGE.title(job.job.vehicle) })
</script>

<template>
  <div>
    <TopBar>
      <h1 class="truncate font-bold">{{ HOW_PAGE.heading(job.job.sheet.name) }}</h1>
      <p class="truncate text-faint">{{ job.job.vehicle }}</p>
      <template #acts>
        <NuxtLink class="act flex items-center" :to="`/jobs/${job.id}`" :prefetch="false">{{ HOW_PAGE.back }}</NuxtLink>
        <button type="button" class="act" @click="print">{{ HOW_PAGE.print }}</button>
      </template>
    </TopBar>
    <main class="mx-auto max-w-[1240px] px-6 py-5 max-md:px-2">
      <p class="mb-4 border-l-8 border-hazard bg-sheet p-3">{{ HOW_PAGE.example }}</p>
      <div class="grid grid-cols-2 gap-4 max-md:grid-cols-1">
        <HowPane
          v-for="inspection in inspections"
          :key="inspection.id"
          :sheet="job.job.sheet"
          :inspection="inspection"
          class="break-inside-avoid" />
      </div>
    </main>
  </div>
</template>

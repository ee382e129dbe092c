<script setup lang="ts">
import { JOB_BAR } from '../../../words/en'
import { useOpenJob } from '../../stores/job'
import TopBar from '../parts/TopBar.vue'

/**
 * The head of a job's pages after the bench: whose engine it is, what the page is of it, and the ways to the others.
 */
defineProps<{ says: string }>()
const job = useOpenJob()
const places = [
  ['', JOB_BAR.bench],
  ['/verdict', JOB_BAR.verdict],
  ['/paths', JOB_BAR.paths],
  ['/estimate', JOB_BAR.estimate],
  ['/report', JOB_BAR.report],
  ['/build', JOB_BAR.buildUp],
  ['/proof', JOB_BAR.proof]
].map(([path, label]) => ({ to: `/jobs/${job.id}${path}`, label }))
</script>

<template>
  <TopBar>
    <h1 class="truncate leading-tight">
      <b>{{ job.job.vehicle }}</b> <span class="text-faint">{{ says }}</span>
    </h1>
    <p class="truncate text-note text-faint">{{ job.job.sheet.name }}</p>
    <template #acts>
      <nav class="flex gap-1 max-md:flex-wrap" :aria-label="JOB_BAR.stationsOfTheDecision">
        <NuxtLink
          v-for="{ to, label } in places"
          :key="to"
          :to="to"
          class="flex min-h-11 items-center border-b-2 px-2"
          :class="$route.path === to ? 'border-brass font-bold' : 'border-transparent'"
          :aria-current="$route.path === to ? 'page' : undefined"
          >{{ label }}</NuxtLink
        >
      </nav>
    </template>
  </TopBar>
</template>

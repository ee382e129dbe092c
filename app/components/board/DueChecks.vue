<script setup lang="ts">
import { DUE_CHECKS } from '../../../words/en'
import { useThrottleFn } from '@vueuse/core'
import { computed } from 'vue'
import type { ListedJob } from '../../../server/store/summaries'
import { localDay } from '../../../core/math'
import { useLive } from '../../composables/useLive'
import { usageWords } from '../../words'

/** Drives to be looked at again within a month, the overdue first; a stop-gap says that it is one. */
const {
  data: due,
  error,
  refresh
} = useFetch<ListedJob[]>('/api/checks', { server: false, deep: false, default: () => [] })
const checks = computed(() => due.value.flatMap((job) => (job.check ? [{ job, check: job.check }] : [])))
const today = localDay(new Date())
// A check that was just kept is due here as soon as its job's summary is made.
const lookAgain = useThrottleFn(() => refresh(), 500, true)
useLive((happened) => {
  if (happened === null || happened.place === null) void lookAgain()
})
</script>

<template>
  <p v-if="error" class="mt-6 border-l-4 border-renew bg-sheet px-5 py-2" role="alert">
    {{ DUE_CHECKS.whichDrivesAreToBe }}
    <button type="button" class="act-bare" @click="refresh()">{{ DUE_CHECKS.lookAgain }}</button>
  </p>
  <section v-else-if="checks.length" class="mt-6" :aria-label="DUE_CHECKS.toBeLookedAtAgain" data-testid="checks">
    <h2 class="label mb-1">{{ DUE_CHECKS.toBeLookedAtAgain }}</h2>
    <ul>
      <li v-for="{ job, check } in checks" :key="job.id">
        <NuxtLink
          :to="`/jobs/${job.id}/proof`"
          class="flex min-h-14 flex-wrap items-center gap-x-6 border-t border-rule bg-sheet px-5 py-2 hover:border-brass">
          <span class="figure w-32" :class="check.date! < today ? 'text-renew' : ''"
            >{{ check.date
            }}<span v-if="check.date! < today" class="block text-note font-normal">{{ DUE_CHECKS.overdue }}</span></span
          >
          <b>{{ job.vehicle }}</b>
          <span v-if="check.stopGap" class="border-l-4 border-brass pl-2 font-bold">{{
            DUE_CHECKS.stopGapNoRepair
          }}</span>
          <span class="min-w-0 flex-1 truncate">{{ check.note || job.sheet.name }}</span>
          <span v-if="check.usage !== null" class="text-note text-faint">{{
            DUE_CHECKS.orAt(usageWords({ value: check.usage, unit: job.usage.unit }))
          }}</span>
        </NuxtLink>
      </li>
    </ul>
  </section>
</template>

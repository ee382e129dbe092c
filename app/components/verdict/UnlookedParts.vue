<script setup lang="ts">
import { VERDICT_PAGE } from '../../../words/en'
import type { HeldCall } from '../../../core/record'
import { partName } from '../../words'
import { useOpenJob } from '../../stores/job'
import CallMark from '../parts/CallMark.vue'

/** Parts that nobody has looked at yet: one line that names them, each leading to what would settle it. */
defineProps<{ calls: readonly HeldCall[] }>()
const job = useOpenJob()
function wayTo({ part, reasons }: HeldCall): string {
  const settle = reasons.find((reason) => reason.settle)?.settle
  return settle ? `/jobs/${job.id}?read=${settle.kind}:${settle.target}` : `/jobs/${job.id}?part=${part}`
}
</script>

<template>
  <section
    v-if="calls.length"
    class="grid grid-cols-[150px_1fr] gap-4 border-t border-rule py-4 max-md:grid-cols-1"
    data-testid="unlooked">
    <div class="pt-0.5"><CallMark call="look-closer" :size="26" /></div>
    <div>
      <h3 class="text-lg leading-tight font-bold">{{ VERDICT_PAGE.nobodyLooked(calls.length) }}</h3>
      <p class="flex flex-wrap">
        <NuxtLink
          v-for="call in calls"
          :key="call.part"
          :to="wayTo(call)"
          :prefetch="false"
          class="act-bare inline-flex items-center"
          :data-testid="`unlooked-${call.part}`"
          >{{ partName(job.job.sheet, call.part) }}</NuxtLink
        >
      </p>
      <details class="no-print">
        <summary class="flex min-h-11 cursor-pointer items-center text-note underline" data-testid="unlooked-each">
          {{ VERDICT_PAGE.eachOfThem }}
        </summary>
        <slot />
      </details>
    </div>
  </section>
</template>

<script setup lang="ts">
import type { BoardRow } from '../../../server/store/board'
import { READING_KINDS } from '../../../core/readings/kinds'
import type { NumericKind } from '../../../core/readings/types'
import { usageWords } from '../../words'
import StretchLine from '../ledger/StretchLine.vue'
import CallMark from '../parts/CallMark.vue'
import WhenAt from '../parts/WhenAt.vue'

/** A job on its stand: the engine, what it was brought in for, how long its chain is, and what it waits for. */
defineProps<{ job: BoardRow }>()
const nextWords = ({ kind, part }: { kind: string; part: string }) => `${READING_KINDS[kind as NumericKind].name}, ${part.toLowerCase()}`
</script>

<template>
  <NuxtLink :to="`/jobs/${job.id}`" class="grid grid-cols-[110px_minmax(0,1.4fr)_minmax(220px,1fr)_minmax(190px,0.8fr)] items-start gap-6 border-t border-rule bg-sheet px-5 py-4 hover:border-brass" data-testid="job">
    <p class="bg-plate px-2 py-3 text-center font-bold text-scribe">{{ job.stand || 'No stand' }}</p>
    <div class="min-w-0">
      <h2 class="truncate text-lg leading-tight font-bold">{{ job.vehicle }}</h2>
      <p class="text-[13px] text-faint">{{ job.engine }}, {{ usageWords(job.usage) }}</p>
      <p class="mt-1 line-clamp-2">{{ job.complaint }}</p>
    </div>
    <div>
      <StretchLine v-if="job.readings > 0" :name="job.elongation.name" :elongation="job.elongation" :limit="job.elongation.limit" compact />
      <p v-else class="text-faint">Nothing read yet</p>
    </div>
    <div>
      <p class="flex flex-wrap gap-x-4 gap-y-1">
        <span v-for="{ call, parts } in job.readings > 0 ? job.calls : []" :key="call" class="inline-flex items-center gap-1"><span class="figure">{{ parts }}</span><CallMark :call="call" :size="16" /></span>
      </p>
      <p v-if="job.next" class="mt-1 text-[13px]">Next: {{ nextWords(job.next) }}</p>
      <p class="text-[13px] text-faint">{{ job.lastBy }}, <WhenAt :at="job.lastAt" /></p>
    </div>
  </NuxtLink>
</template>

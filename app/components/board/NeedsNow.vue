<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { NEEDS_SOMEONE, sayPartName } from '../../../words/en'
import { computed } from 'vue'
import { needsNow, type Needed } from '../../../core/views/summary'
import type { BoardJob } from '../../../server/store/board'
import { KIND_NAMES } from '../../words'
import CallMark from '../parts/CallMark.vue'

/** The three jobs that need someone now, and why. */
const props = defineProps<{ jobs: readonly BoardJob[] }>()
const needed = computed(() => needsNow(props.jobs))
const MARKS = { stop: 'stop', renew: 'renew', next: 'look-closer', unread: 'look-closer' } as const

function sayWhy({ job, why, parts }: Needed<BoardJob>): string {
  if (why === 'stop' || why === 'renew') return NEEDS_SOMEONE[why](parts)
  if (why === 'next' && job.next)
    return NEEDS_SOMEONE.next(`${KIND_NAMES[job.next.kind]}, ${midSentence(sayPartName(job.next.part))}`)
  return why === 'trouble' ? NEEDS_SOMEONE.trouble : NEEDS_SOMEONE.unread
}
</script>

<template>
  <section v-if="needed.length" class="mb-4" :aria-label="NEEDS_SOMEONE.title" data-testid="needs-now">
    <h2 class="label mb-1">{{ NEEDS_SOMEONE.title }}</h2>
    <ol class="grid grid-cols-3 gap-3 max-md:grid-cols-1">
      <li v-for="one in needed" :key="one.job.id">
        <NuxtLink
          :to="`/jobs/${one.job.id}`"
          :prefetch="false"
          class="flex h-full items-start gap-3 border-l-8 bg-sheet p-3 hover:border-brass"
          :class="one.why === 'stop' ? 'border-hazard' : one.why === 'renew' ? 'border-renew' : 'border-plate'">
          <CallMark v-if="one.why !== 'trouble'" :call="MARKS[one.why]" bare :size="26" />
          <span class="min-w-0">
            <b class="block truncate"
              >{{ one.job.vehicle }}<span v-if="one.job.stand">, {{ one.job.stand }}</span></b
            >
            <span class="block text-note">{{ sayWhy(one) }}</span>
          </span>
        </NuxtLink>
      </li>
    </ol>
  </section>
</template>

<script setup lang="ts">
import { GUIDE_WORDS } from '../../../words/en'
import { computed } from 'vue'
import { GUIDE } from '../../guide'
import { useGuided } from '../../guided'
import { useOpenJob } from '../../stores/job'

/** What comes next on the guided job, and the way to it. */
const job = useOpenJob()
const route = useRoute()
const guided = useGuided()
const place = computed(() => GUIDE.findIndex(({ isDone }) => !isDone(job.record, route.path)))
const step = computed(() => GUIDE[place.value] ?? null)
const minutes = computed(() =>
  step.value ? 0 : Math.max(1, Math.round((Date.now() - Date.parse(guided.value.begun)) / 60_000))
)
const leave = () => (guided.value = { job: '', begun: '' })
</script>

<template>
  <aside
    class="no-print flex min-h-14 flex-wrap items-center gap-x-4 gap-y-1 bg-lit px-4 py-1 text-[#161d27]"
    :aria-label="GUIDE_WORDS.title"
    data-testid="guide">
    <template v-if="step">
      <b class="whitespace-nowrap">{{ GUIDE_WORDS.step(place + 1, GUIDE.length) }}</b>
      <p class="min-w-0 flex-1" role="status">{{ GUIDE_WORDS.steps[step.id] }}</p>
      <a class="act inline-flex items-center" :href="`/jobs/${job.id}${step.at}`" data-testid="guide-go">{{
        GUIDE_WORDS.go
      }}</a>
    </template>
    <p v-else class="flex-1 font-bold" role="status" data-testid="guide-done">{{ GUIDE_WORDS.done(minutes) }}</p>
    <button type="button" class="act" data-testid="guide-leave" @click="leave">{{ GUIDE_WORDS.leave }}</button>
  </aside>
</template>

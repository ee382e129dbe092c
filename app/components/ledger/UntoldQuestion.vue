<script setup lang="ts">
import { UNTOLD } from '../../../words/en'
import { computed } from 'vue'
import { useOpenJob } from '../../stores/job'

/** One thing that nobody has told of the engine: answered with one touch, or told exactly where it applies. */
const props = defineProps<{ question: string }>()
const job = useOpenJob()
const kind = computed(() => props.question as keyof typeof UNTOLD.asked)

const answerNone = () => job.put({ type: 'corrections', corrections: { ...job.corrections, [kind.value]: {} } })
</script>

<template>
  <p
    class="flex flex-wrap items-center gap-x-2 border-l-4 border-brass bg-paper pl-2 text-note leading-tight"
    data-testid="question">
    <b class="mr-auto">{{ UNTOLD.asked[kind] }}</b>
    <button type="button" class="act-bare" :data-testid="`none-${kind}`" @click="answerNone">
      {{ UNTOLD.none[kind] }}
    </button>
    <button type="button" class="act-bare" @click="job.openSide('engine', 'findings')">{{ UNTOLD.some[kind] }}</button>
  </p>
</template>

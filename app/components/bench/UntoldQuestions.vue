<script setup lang="ts">
import { UNTOLD } from '../../../words/en'
import UntoldQuestion from '../ledger/UntoldQuestion.vue'

/** What nobody has told of the engine, asked once, at the first figure that it shifts. */
defineProps<{ questions: readonly string[] }>()
</script>

<template>
  <div class="space-y-1" data-testid="untold">
    <UntoldQuestion v-for="question in questions" :key="question" :question="question" />
    <p class="text-note text-faint">{{ UNTOLD.untilItIsTold }}</p>
  </div>
</template>

<script setup lang="ts">
import { COMMON, FILE_PROBLEM, sayPlace } from '../../../words/en'
import type { ToldFault } from '../../../words/en'
import Panel from './Panel.vue'

/** What is wrong with a file that was not taken in, place by place. */
defineProps<{ problem: { file: string; message: string; faults: readonly ToldFault[]; value?: unknown } }>()
const emit = defineEmits<{ understood: [] }>()
const SHOWN = 12
</script>

<template>
  <Panel tone="fault" class="order-last basis-full" role="alert" data-testid="import-problem">
    <p class="font-bold">{{ problem.file }}: {{ problem.message }}</p>
    <ul class="mt-1 space-y-1">
      <li v-for="fault in problem.faults.slice(0, SHOWN)" :key="fault.place + fault.message">
        <b :title="fault.place">{{ sayPlace(fault.place, problem.value) || FILE_PROBLEM.file }}</b>
        {{ fault.message }}
      </li>
    </ul>
    <p v-if="problem.faults.length > SHOWN" class="text-faint">
      {{ FILE_PROBLEM.andMore(problem.faults.length - SHOWN) }}
    </p>
    <button type="button" class="act-bare" @click="emit('understood')">{{ COMMON.understood }}</button>
  </Panel>
</template>

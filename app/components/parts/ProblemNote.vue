<script setup lang="ts">
import { PROBLEM_NOTE } from '../../../words/en'
import { computed } from 'vue'
import { shownProblem } from '../../problem'
import Panel from './Panel.vue'

/** Something that could not be loaded, and what to do about it. */
const props = defineProps<{ error: unknown }>()
const emit = defineEmits<{ retry: [] }>()
const problem = computed(() => shownProblem(props.error))
</script>

<template>
  <Panel tone="fault" class="m-8 max-w-xl" role="alert">
    <p class="text-xl font-bold">{{ problem.message }}</p>
    <div class="mt-4 flex gap-3">
      <button v-if="!problem.answered" type="button" class="act" @click="emit('retry')">
        {{ PROBLEM_NOTE.tryAgain }}
      </button>
      <NuxtLink to="/" class="act flex items-center">{{ PROBLEM_NOTE.backToTheBoard }}</NuxtLink>
    </div>
  </Panel>
</template>

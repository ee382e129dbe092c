<script setup lang="ts">
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
      <button v-if="!problem.answered" type="button" class="act" @click="emit('retry')">Try again</button>
      <NuxtLink to="/" class="act flex items-center">Back to the board</NuxtLink>
    </div>
  </Panel>
</template>

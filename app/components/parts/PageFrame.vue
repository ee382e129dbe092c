<script setup lang="ts">
import { useWorkshop } from '../../composables/useWorkshop'
import ProblemNote from './ProblemNote.vue'
import TopBar from './TopBar.vue'

/**
 * A page of the workshop: its head with the ways to the others, and what stands on it or why it could not be loaded.
 */
defineProps<{ error?: unknown; wide?: boolean }>()
const emit = defineEmits<{ retry: [] }>()
const workshop = useWorkshop()
</script>

<template>
  <div>
    <TopBar places>
      <slot name="head">
        <p class="font-bold">{{ workshop?.name }}</p>
      </slot>
    </TopBar>
    <ProblemNote v-if="error" :error="error" @retry="emit('retry')" />
    <main v-else class="mx-auto px-6 py-5 max-md:px-2" :class="wide ? 'max-w-[1400px]' : 'max-w-[1240px]'">
      <slot />
    </main>
  </div>
</template>

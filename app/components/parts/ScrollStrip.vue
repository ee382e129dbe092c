<script setup lang="ts">
import { ref } from 'vue'
import { useStrip } from '../../composables/useStrip'
import StripStep from './StripStep.vue'

/** Buttons side by side; where more than fit, the chosen one is in view and there is a way to the others. */
const props = defineProps<{ label: string; chosen: unknown }>()
const strip = ref<HTMLElement | null>(null)
const { before, after, step } = useStrip(strip, ':scope > button', '[aria-pressed=true]', () => props.chosen)
</script>

<template>
  <div class="-mx-2 flex shrink-0 items-center" role="group" :aria-label="label">
    <StripStep v-if="before" @step="step(-1)" />
    <div ref="strip" class="no-bar flex min-w-0 flex-1 gap-1 overflow-x-auto pb-1 whitespace-nowrap">
      <slot />
      <!-- The last ones may stand at the start, too. -->
      <span v-if="before || after" class="w-24 shrink-0" aria-hidden="true" />
    </div>
    <StripStep v-if="after" on @step="step(1)" />
  </div>
</template>

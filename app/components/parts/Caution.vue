<script setup lang="ts">
import { CAUTION } from '../../../words/en'

/** What can hurt someone or cost an engine. `lead`: what it is about. */
withDefaults(defineProps<{ lead?: string }>(), { lead: CAUTION })
</script>

<template>
  <p class="border-l-8 border-hazard bg-sheet p-2 text-note">
    <b v-if="lead">{{ lead }}&nbsp;</b><slot />
  </p>
</template>

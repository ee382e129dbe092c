<script setup lang="ts">
import { cautionLead } from '../../../words/en'

/** What can hurt someone or cost an engine. `lead`: what it is about. */
withDefaults(defineProps<{ lead?: string }>(), { lead: () => cautionLead() })
</script>

<template>
  <p class="border-l-8 border-hazard bg-sheet p-2 text-note">
    <b v-if="lead">{{ lead }}&nbsp;</b><slot />
  </p>
</template>

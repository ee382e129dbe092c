<script setup lang="ts">
/**
 * A pane of a page under its heading; `label`: what it is called where the heading says something else, or none stands.
 */
withDefaults(defineProps<{ title?: string; label?: string; tone?: keyof typeof TONES; quiet?: boolean }>(), {
  title: undefined,
  label: undefined,
  tone: 'plain'
})
</script>

<script lang="ts">
const TONES = {
  plain: 'bg-sheet',
  note: 'border-l-4 border-brass bg-sheet',
  fault: 'border-l-4 border-renew bg-sheet',
  plate: 'on-plate bg-plate text-scribe'
} as const
</script>

<template>
  <section class="p-4" :class="TONES[tone]" :aria-label="label ?? title">
    <h2 v-if="title" :class="quiet ? 'label mb-1' : 'text-lg font-bold'">{{ title }}</h2>
    <slot />
  </section>
</template>

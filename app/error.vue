<script setup lang="ts">
import { REFUSED } from '../words/en'
import { computed } from 'vue'
import type { Role } from '../core/record'

/** A page that is not there, not for who asks, or could not be made. */
const props = defineProps<{ error: { statusCode: number; data?: unknown } }>()
useHead({ title: REFUSED.title })
const needs = computed(() => {
  const { data } = props.error
  const { need } = (typeof data === 'string' ? (JSON.parse(data) as object) : (data ?? {})) as { need?: Role }
  return need ? REFUSED.needs(need) : ''
})
const says = computed(() => {
  if (needs.value) return REFUSED.ask
  return props.error.statusCode === 404 ? REFUSED.nothingHere : REFUSED.broke
})
</script>

<template>
  <main class="mx-auto flex min-h-dvh max-w-lg flex-col justify-center gap-4 bg-paper px-6 text-ink">
    <h1 v-if="needs" class="text-2xl font-bold">{{ needs }}</h1>
    <p>{{ says }}</p>
    <p>
      <a href="/" class="act">{{ REFUSED.back }}</a>
    </p>
  </main>
</template>

<script setup lang="ts">
/** Leafs through a list, page by page from 0. */
const page = defineModel<number>({ required: true })
defineProps<{ pages: number; before: string; after: string }>()
</script>

<template>
  <nav v-if="pages > 1" class="mt-3 flex items-center gap-3" aria-label="Pages">
    <button type="button" class="act" :disabled="page === 0" @click="page--">{{ before }}</button>
    <span
      >Page <span class="figure">{{ page + 1 }}</span> of {{ pages }}<slot
    /></span>
    <button type="button" class="act" :disabled="page + 1 >= pages" @click="page++">{{ after }}</button>
  </nav>
</template>

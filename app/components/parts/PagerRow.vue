<script setup lang="ts">
import { PAGER_ROW } from '../../../words/en'
/** Leafs through a list, page by page from 0. */
const page = defineModel<number>({ required: true })
defineProps<{ pages: number; before: string; after: string }>()
</script>

<template>
  <nav v-if="pages > 1" class="mt-3 flex items-center gap-3" :aria-label="PAGER_ROW.pages">
    <button type="button" class="act" :disabled="page === 0" @click="page--">{{ before }}</button>
    <span
      >{{ PAGER_ROW.page }} <span class="figure">{{ page + 1 }}</span> {{ PAGER_ROW.of(pages) }}<slot
    /></span>
    <button type="button" class="act" :disabled="page + 1 >= pages" @click="page++">{{ after }}</button>
  </nav>
</template>

<script setup lang="ts">
import { later } from '../../later'

const LaidSheet = later(() => import('./LaidSheet.vue'))

/** A sheet laid over the page until it is dealt with. Its width is given as a class. */
defineProps<{ open: boolean; title: string; width: string }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <LaidSheet v-if="open" :title="title" :width="width" @close="emit('close')"><slot /></LaidSheet>
</template>

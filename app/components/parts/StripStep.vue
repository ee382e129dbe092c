<script setup lang="ts">
import { STRIP_STEP } from '../../../words/en'
import { ChevronLeftIcon, ChevronRightIcon } from '@heroicons/vue/20/solid'

/** The way to what a strip has no room for. */
defineProps<{ on?: boolean }>()
defineEmits<{ step: [] }>()
</script>

<template>
  <button
    type="button"
    class="flex min-h-11 w-7 shrink-0 items-center justify-center"
    :aria-label="on ? STRIP_STEP.on : STRIP_STEP.back"
    @click="$emit('step')">
    <ChevronRightIcon v-if="on" class="size-5" aria-hidden="true" />
    <ChevronLeftIcon v-else class="size-5" aria-hidden="true" />
  </button>
</template>

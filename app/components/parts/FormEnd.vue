<script setup lang="ts">
import { COMMON } from '../../../words/en'
import FaultNote from './FaultNote.vue'

/** The end of a form on a sheet of its own: what was refused, its one main act, and the way out. */
defineProps<{ label: string; problem?: string; disabled?: boolean }>()
const emit = defineEmits<{ cancel: [] }>()
</script>

<template>
  <div class="col-span-full space-y-3">
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
    <div class="flex gap-2">
      <button type="submit" class="act-main flex-1" :disabled="disabled">{{ label }}</button>
      <button type="button" class="act" @click="emit('cancel')">{{ COMMON.cancel }}</button>
    </div>
  </div>
</template>

<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** A sheet laid over the page until it is dealt with. Its width is given as a class. */
defineProps<{ open: boolean; title: string; width: string }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-plate/70" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-4">
      <DialogPanel class="w-full bg-sheet p-6" :class="width">
        <DialogTitle class="text-xl font-bold">{{ title }}</DialogTitle>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>

<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** The keys of the bench. They do nothing while a figure is typed: Escape leaves the field. */
const open = defineModel<boolean>('open', { required: true })
const KEYS = [
  ['1 to 7', 'go to that station'], ['8', 'verdict'], ['n', 'the reading worth taking next'], ['u', 'take back the last entry'],
  ['f', 'findings of the part'], ['p', 'photos of the part'], ['Enter', 'save the figure and go on'],
  ['+  −  h', 'while counting: a link, one back, a half'], ['Esc', 'leave a field, so that keys work'], ['?', 'this sheet']
] as const
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="open = false">
    <div class="fixed inset-0 bg-plate/70" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center p-4">
      <DialogPanel class="w-full max-w-md bg-sheet p-6">
        <DialogTitle class="text-2xl font-bold">Keys</DialogTitle>
        <dl class="mt-3 grid grid-cols-[110px_1fr] gap-y-2">
          <template v-for="[key, what] in KEYS" :key="key"><dt class="figure">{{ key }}</dt><dd>{{ what }}</dd></template>
        </dl>
        <button type="button" class="act-main mt-4 w-full" @click="open = false">Close</button>
      </DialogPanel>
    </div>
  </Dialog>
</template>

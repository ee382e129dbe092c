<script setup lang="ts">
import ModalSheet from '../parts/ModalSheet.vue'

/** The keys of the bench. They do nothing while a figure is typed: Escape leaves the field. */
const open = defineModel<boolean>('open', { required: true })
const KEYS = [
  ['1 to 7', 'go to that station'],
  ['8', 'verdict'],
  ['n', 'the reading worth taking next'],
  ['u', 'take back the last entry'],
  ['f', 'findings of the part'],
  ['p', 'photos of the part'],
  ['Enter', 'save the figure and go on'],
  ['+  −  h', 'while counting: a link, one back, a half'],
  ['Esc', 'leave a field, so that keys work'],
  ['?', 'this sheet']
] as const
</script>

<template>
  <ModalSheet :open="open" title="Keys" width="max-w-md" @close="open = false">
    <dl class="mt-3 grid grid-cols-[110px_1fr] gap-y-2">
      <template v-for="[key, what] in KEYS" :key="key"
        ><dt class="figure">{{ key }}</dt>
        <dd>{{ what }}</dd></template
      >
    </dl>
    <button type="button" class="act-main mt-4 w-full" @click="open = false">Close</button>
  </ModalSheet>
</template>

<script setup lang="ts">
import { SHORTCUT_SHEET } from '../../../words/en'
import ModalSheet from '../parts/ModalSheet.vue'

/** The keys of the bench. They do nothing while a figure is typed: Escape leaves the field. */
const open = defineModel<boolean>('open', { required: true })
const KEYS = [
  [SHORTCUT_SHEET.oneToSeven, SHORTCUT_SHEET.goToThatStation],
  ['8', SHORTCUT_SHEET.verdict],
  ['n', SHORTCUT_SHEET.theReadingWorthTakingNext],
  ['u', SHORTCUT_SHEET.takeBackTheLastEntry],
  ['f', SHORTCUT_SHEET.findingsOfThePart],
  ['p', SHORTCUT_SHEET.photosOfThePart],
  [SHORTCUT_SHEET.enter, SHORTCUT_SHEET.saveTheFigure],
  ['+  −  h', SHORTCUT_SHEET.whileCountingALinkOne],
  [SHORTCUT_SHEET.esc, SHORTCUT_SHEET.leaveAField],
  ['?', SHORTCUT_SHEET.thisSheet]
] as const
</script>

<template>
  <ModalSheet :open="open" :title="SHORTCUT_SHEET.keys" width="max-w-md" @close="open = false">
    <dl class="mt-3 grid grid-cols-[110px_1fr] gap-y-2">
      <template v-for="[key, what] in KEYS" :key="key"
        ><dt class="figure">{{ key }}</dt>
        <dd>{{ what }}</dd></template
      >
    </dl>
    <button type="button" class="act-main mt-4 w-full" @click="open = false">{{ SHORTCUT_SHEET.close }}</button>
  </ModalSheet>
</template>

<script setup lang="ts">
import { KEY_PAD } from '../../../words/en'
/** Keys large enough for gloves, for the figure. */
const figure = defineModel<string>({ required: true })
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '⌫'] as const

function press(key: (typeof KEYS)[number]) {
  if (key === '⌫') figure.value = figure.value.slice(0, -1)
  else if (key !== '.' || !/[.,]/.test(figure.value)) figure.value += key
}
</script>

<template>
  <div class="grid grid-cols-3 gap-1" role="group" :aria-label="KEY_PAD.keypad">
    <button
      v-for="key in KEYS"
      :key="key"
      type="button"
      class="figure min-h-14 rounded-edge border border-faint bg-sheet text-2xl"
      :aria-label="key === '⌫' ? KEY_PAD.deleteLastDigit : key === '.' ? KEY_PAD.decimalPoint : key"
      @click="press(key)">
      {{ key }}
    </button>
  </div>
</template>

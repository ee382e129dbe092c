<script setup lang="ts">
import { COMMON, SIGN_IN } from '../../../words/en'
import { ArrowRightIcon, BackspaceIcon } from '@heroicons/vue/20/solid'
import { ref } from 'vue'

/** A PIN, touched with gloves or typed; the digits are not shown. */
defineProps<{ label: string; busy?: boolean }>()
const emit = defineEmits<{ done: [pin: string] }>()
const pin = ref('')
const MOST = 8
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9']

function press(digit: string) {
  if (pin.value.length < MOST) pin.value += digit
}
function done() {
  const typed = pin.value
  pin.value = ''
  if (typed) emit('done', typed)
}
</script>

<template>
  <form class="w-64" novalidate @submit.prevent="done">
    <label class="label" for="pin">{{ label }}</label>
    <input
      id="pin"
      v-model="pin"
      class="field figure mt-1"
      type="password"
      inputmode="none"
      autocomplete="off"
      :maxlength="MOST"
      data-testid="pin" />
    <div class="mt-2 grid grid-cols-3 gap-2">
      <button v-for="key in KEYS" :key="key" type="button" class="act min-h-14 text-xl" @click="press(key)">
        {{ key }}
      </button>
      <button type="button" class="act min-h-14" :aria-label="COMMON.takeBack" @click="pin = pin.slice(0, -1)">
        <BackspaceIcon class="mx-auto size-5" aria-hidden="true" />
      </button>
      <button type="button" class="act min-h-14 text-xl" @click="press('0')">0</button>
      <button type="submit" class="act-main min-h-14" :aria-label="SIGN_IN.signIn" :disabled="busy || pin.length < 4">
        <ArrowRightIcon class="mx-auto size-6" aria-hidden="true" />
      </button>
    </div>
  </form>
</template>

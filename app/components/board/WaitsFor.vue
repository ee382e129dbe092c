<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, WAITS_FOR, WAITS_WORDS } from '../../../words/en'
import { ref, watch } from 'vue'
import type { WaitsFor } from '../../../core/record'
import ModalSheet from '../parts/ModalSheet.vue'
import Field from '../parts/Field.vue'

/** Says what a job waits for, with a word for the others. */
const asked = defineModel<{ vehicle: string; for: WaitsFor } | null>({ required: true })
const emit = defineEmits<{ say: [note: string] }>()
const note = ref('')
watch(asked, () => (note.value = ''))
</script>

<template>
  <ModalSheet
    :open="asked !== null"
    :title="asked ? `${asked.vehicle}: ${midSentence(WAITS_WORDS[asked.for].says)}` : ''"
    width="max-w-md"
    @close="asked = null">
    <form class="mt-4 space-y-4" @submit.prevent="emit('say', note.trim())">
      <Field v-model="note" :label="WAITS_FOR.whichAndUntilWhen" maxlength="400" />
      <div class="flex gap-2">
        <button type="submit" class="act-main flex-1">{{ COMMON.save }}</button>
        <button type="button" class="act" @click="asked = null">{{ COMMON.cancel }}</button>
      </div>
    </form>
  </ModalSheet>
</template>

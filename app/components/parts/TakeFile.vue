<script setup lang="ts">
import { ref } from 'vue'

/** A button (its slot) that takes a file; the same one may be taken again. What else is given goes to the button. */
defineOptions({ inheritAttrs: false })
defineProps<{
  /** What the file is, for who listens. */
  label: string
  accept: string
  testId?: string
  /** The camera that a phone opens for it. */
  capture?: 'environment'
}>()
const emit = defineEmits<{ file: [file: File] }>()
const input = ref<HTMLInputElement | null>(null)

function take(chosen: HTMLInputElement) {
  const file = chosen.files?.[0]
  if (file) emit('file', file)
  chosen.value = ''
}
</script>

<template>
  <button type="button" v-bind="$attrs" @click="input?.click()"><slot /></button>
  <input
    ref="input"
    type="file"
    :accept="accept"
    :capture="capture"
    class="sr-only"
    tabindex="-1"
    :aria-label="label"
    :data-testid="testId"
    @change="take($event.target as HTMLInputElement)" />
</template>

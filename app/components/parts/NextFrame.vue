<script setup lang="ts">
import { onMounted, onUnmounted, ref } from 'vue'

/** What is drawn once the page takes input, in the picture after its first; on the device alone. */
const shown = ref(false)
let asked = 0
onMounted(() => {
  asked = window.requestAnimationFrame(() => window.setTimeout(() => (shown.value = true)))
})
onUnmounted(() => window.cancelAnimationFrame(asked))
</script>

<template>
  <slot v-if="shown" />
  <slot v-else name="fallback" />
</template>

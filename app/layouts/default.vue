<script setup lang="ts">
import { onMounted } from 'vue'
import { useBench } from '../stores/bench'
import { useOutbox } from '../stores/outbox'

const bench = useBench()
const outbox = useOutbox()

onMounted(() => {
  void bench.load().catch(() => undefined)
  outbox.ready = true
  void outbox.flush()
  window.addEventListener('online', () => void outbox.flush())
})
</script>

<template>
  <slot />
</template>

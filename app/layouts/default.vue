<script setup lang="ts">
import { onMounted } from 'vue'
import { useBench } from '../stores/bench'
import { useOutbox } from '../stores/outbox'
import { keepUnits } from '../units'

const bench = useBench()
const outbox = useOutbox()

onMounted(() => {
  keepUnits()
  void bench.load().catch(() => undefined)
  outbox.ready = true
  void outbox.flush()
  window.addEventListener('online', () => void outbox.flush())
})
</script>

<template>
  <slot />
</template>

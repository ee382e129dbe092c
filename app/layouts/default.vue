<script setup lang="ts">
import { onMounted } from 'vue'
import NewerVersion from '../components/parts/NewerVersion.vue'
import { useAwake } from '../composables/useAwake'
import { useWorkshop } from '../composables/useWorkshop'
import { useBench } from '../stores/bench'
import { leaveIfOut } from '../leaving'
import { onSignedOut, useOutbox } from '../stores/outbox'
import { usePhotoOutbox } from '../stores/photoOutbox'
import { startLoading } from '../later'
import { keepUnits } from '../units'

const bench = useBench()
const outbox = useOutbox()
const photoOutbox = usePhotoOutbox()
const awake = useAwake()
const workshop = useWorkshop()

onMounted(() => {
  keepUnits(workshop.value?.units)
  startLoading()
  void bench.load().catch(() => undefined)
  outbox.ready = true
  onSignedOut.value = () => void leaveIfOut()
  void outbox.flush()
  // A browser that keeps no database (a private window, say) has nothing waiting in it.
  void photoOutbox.wake().catch(() => undefined)
  window.addEventListener('online', () => void Promise.all([outbox.flush(), photoOutbox.flush()]))
})
</script>

<template>
  <div :inert="!awake"><slot /></div>
  <NewerVersion />
</template>

<script setup lang="ts">
import { computed } from 'vue'
import type { Call } from '../../../core/calls'
import type { HeldCall } from '../../../core/record'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import PartVerdict from './PartVerdict.vue'

/** Calls with their reasons, each of which can be decided otherwise. */
defineProps<{ calls: readonly HeldCall[] }>()
const job = useOpenJob()
const bench = useBench()
const atBench = computed(() => `/jobs/${job.id}`)

const overrule = ({ part }: HeldCall, call: Call, reason: string) => job.put({ type: 'overrule', part, call, reason })
function leaveToReadings({ part }: HeldCall) {
  const said = job.record.overrules.get(part)
  if (said) job.put({ type: 'undo', act: said.id })
}
</script>

<template>
  <PartVerdict
    v-for="call in calls"
    :key="call.part"
    :sheet="job.job.sheet"
    :call="call"
    :readings="job.record.readings"
    :photos="job.record.photos"
    :bench="atBench"
    :may-overrule="bench.by !== ''"
    @overrule="(to, reason) => overrule(call, to, reason)"
    @take-back="leaveToReadings(call)" />
</template>

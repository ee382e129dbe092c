<script setup lang="ts">
import { COMMON, MEASURE } from '../../../words/en'
import { computed } from 'vue'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { useOutbox } from '../../stores/outbox'
import FaultNote from '../parts/FaultNote.vue'

/** Keeps what was measured as a reading, and says what became of it. */
defineProps<{ saved: boolean }>()
defineEmits<{ keep: [] }>()
const job = useOpenJob()
const who = useBench()
const outbox = useOutbox()
const refused = computed(() => outbox.refused.filter(({ jobId }) => jobId === job.id))
</script>

<template>
  <button type="button" class="act-main w-full" data-testid="keep" :disabled="!who.by || saved" @click="$emit('keep')">
    {{ MEASURE.save }}
  </button>
  <p v-if="!who.by" class="text-note">{{ MEASURE.whoFirst }}</p>
  <FaultNote v-for="{ act, problem: why } in refused" :key="act.id"
    >{{ why.message }}
    <button type="button" class="act-bare" @click="outbox.dismiss(act.id)">
      {{ COMMON.understood }}
    </button></FaultNote
  >
  <p v-if="saved && refused.length === 0" role="status">{{ MEASURE.saved }}</p>
</template>

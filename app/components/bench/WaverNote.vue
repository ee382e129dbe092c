<script setup lang="ts">
import { MAP_WAVER } from '../../../words/en'
import { computed } from 'vue'
import { waverReadAt } from '../../../core/views/traces'
import { useOpenJob } from '../../stores/job'
import { fixDigits } from '../../words'

/** What a kept trace says of the chain's waver at a cam; the ribbon on the map is the same. */
const props = defineProps<{ cam: string }>()
const job = useOpenJob()
const waver = computed(() => waverReadAt(job.job.sheet, job.record, job.acts, props.cam))
</script>

<template>
  <p v-if="waver" class="border-l-4 border-lit bg-paper p-2 text-note" data-testid="waver-note">
    {{ MAP_WAVER.says(fixDigits(waver.amplitude, 1), fixDigits(waver.turns, 1)) }}
  </p>
</template>

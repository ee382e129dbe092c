<script setup lang="ts">
import { USAGE_FIX } from '../../../words/en'
import { $fetch } from 'ofetch'
import { onMounted, ref } from 'vue'
import type { SeenUsage } from '../../../core/readings'
import type { Vehicle } from '../../../server/store/vehicles'
import { useUsageEntry } from '../../composables/useUsageEntry'
import { useOpenJob } from '../../stores/job'
import { USAGE_UNITS, usageWords } from '../../words'
import UsageField from '../books/UsageField.vue'
import Field from '../parts/Field.vue'
import FormEnd from '../parts/FormEnd.vue'
import ModalSheet from '../parts/ModalSheet.vue'

/** What really stood on the clock, put right by name; the job is judged again with it. */
const job = useOpenJob()
const emit = defineEmits<{ close: [] }>()
const note = ref('')
const seen = ref<SeenUsage[]>([])
const entry = useUsageEntry(
  () => job.job.usage.unit,
  () => seen.value,
  () => job.job.openedAt
)

/** What other jobs saw on its clock; without the server nothing is asked. */
onMounted(async () => {
  const { vehicleId, openedAt } = job.job
  const vehicle = vehicleId ? await $fetch<Vehicle>(`/api/vehicles/${vehicleId}`).catch(() => null) : null
  seen.value = (vehicle?.seen ?? []).filter(({ at }) => at !== openedAt)
})

function save() {
  const value = entry.usage.value?.value
  if (value === undefined || !entry.good.value) return
  job.put({ type: 'usage', usage: value, ...(note.value.trim() ? { note: note.value.trim() } : {}) })
  emit('close')
}
</script>

<template>
  <ModalSheet open :title="USAGE_FIX.title" width="max-w-md" @close="emit('close')">
    <p class="mt-1 text-note text-faint">{{ USAGE_FIX.says }}</p>
    <form class="mt-3 space-y-3" novalidate @submit.prevent="save">
      <UsageField
        :entry="entry"
        :label="USAGE_FIX.usage"
        :unit="USAGE_UNITS[job.job.usage.unit]"
        :hint="USAGE_FIX.was(usageWords(job.job.usage))" />
      <Field v-model="note" :label="USAGE_FIX.why" maxlength="400" />
      <FormEnd :label="USAGE_FIX.save" :disabled="!entry.good.value" @cancel="emit('close')" />
    </form>
  </ModalSheet>
</template>

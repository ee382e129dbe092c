<script setup lang="ts">
import { PHONE } from '../../../words/en'
import { useDebounceFn, useSessionStorage } from '@vueuse/core'
import { DevicePhoneMobileIcon } from '@heroicons/vue/20/solid'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref, watch } from 'vue'
import { workshopOrigin } from '../../address'
import { later } from '../../later'
import { useOpenJob } from '../../stores/job'

/** A phone as this bench's camera: it scans the job's code, and what it takes lands on the part that is open here. */
const PhoneSheet = later(() => import('./PhoneSheet.vue'))
const job = useOpenJob()
const shown = ref(false)
/** Jobs whose code was shown here: a phone may follow their bench. */
const followed = useSessionStorage<string[]>('umbrette.followed', [])
const part = computed(() => job.slot?.part ?? job.part)
const address = computed(() => `${workshopOrigin()}/jobs/${job.id}/camera`)

const tell = useDebounceFn(() => {
  if (!followed.value.includes(job.id) || !part.value) return
  // Without it the phone asks which part it is.
  $fetch(`/api/jobs/${job.id}/bench`, { method: 'POST', body: { part: part.value }, retry: 0 }).catch(() => undefined)
}, 150)

function show() {
  shown.value = true
  if (!followed.value.includes(job.id)) followed.value = [...followed.value, job.id]
  void tell()
}
onMounted(() => watch(part, () => void tell(), { immediate: true }))
</script>

<template>
  <button type="button" class="act max-md:hidden" :aria-label="PHONE.phone" data-testid="phone" @click="show">
    <DevicePhoneMobileIcon class="size-5" aria-hidden="true" />
  </button>
  <PhoneSheet v-if="shown" :address="address" @close="shown = false" />
</template>

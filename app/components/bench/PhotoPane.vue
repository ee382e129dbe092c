<script setup lang="ts">
import { CameraIcon } from '@heroicons/vue/20/solid'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import { shownProblem } from '../../problem'
import { useJob } from '../../stores/job'
import WhenAt from '../parts/WhenAt.vue'

/** Photos of a part: taken or chosen, sent at once, and taken back like any act. */
const props = defineProps<{ part: string }>()
const job = useJob()

const LIMIT_MB = 16
const note = ref('')
const busy = ref(false)
const problem = ref('')
/** A picture that did not get through: kept here to be sent again. */
const unsent = ref<File | null>(null)
const input = ref<HTMLInputElement | null>(null)
const photos = computed(() => job.record.photos.filter((photo) => photo.part === props.part).toReversed())

async function take(file: File | null | undefined) {
  if (!file) return
  problem.value = ''
  unsent.value = null
  if (file.size > LIMIT_MB * 1024 * 1024) {
    problem.value = `The picture is larger than ${LIMIT_MB} MB: set the camera to a smaller size and take it again.`
    return
  }
  busy.value = true
  try {
    const { id } = await $fetch<{ id: string }>(`/api/jobs/${job.id}/photos`, { method: 'POST', body: file, headers: { 'content-type': file.type || 'application/octet-stream' }, timeout: 60_000 })
    job.put({ type: 'photo', photo: id, part: props.part, ...(note.value.trim() ? { note: note.value.trim() } : {}) })
    note.value = ''
  } catch (error) {
    const shown = shownProblem(error)
    problem.value = shown.answered ? shown.message : 'The server cannot be reached: the picture is not kept yet.'
    unsent.value = shown.answered ? null : file
  } finally {
    busy.value = false
    if (input.value) input.value.value = ''
  }
}
</script>

<template>
  <div class="space-y-3">
    <label class="block"><span class="label">What it shows</span><input v-model="note" class="field mt-1" maxlength="4000"></label>
    <button type="button" class="act-main flex w-full items-center justify-center gap-2" :disabled="busy" @click="input?.click()"><CameraIcon class="size-5" aria-hidden="true" />{{ busy ? 'Sending …' : 'Take or choose a photo' }}</button>
    <input ref="input" type="file" accept="image/jpeg,image/png,image/webp,image/*" class="sr-only" tabindex="-1" aria-label="Photo of this part" data-testid="photo-input" @change="take(($event.target as HTMLInputElement).files?.[0])">
    <p class="text-[13px] text-faint">JPEG, PNG or WebP up to {{ LIMIT_MB }} MB. Turned upright; what the camera wrote into it, the place too, is left out.</p>
    <p v-if="problem" class="font-bold text-renew" role="alert">{{ problem }} <button v-if="unsent" type="button" class="act-bare" @click="take(unsent)">Send again</button></p>
    <ul class="grid grid-cols-2 gap-2">
      <li v-for="photo in photos" :key="photo.id" data-testid="photo">
        <a :href="`/api/photos/${photo.photo}`" target="_blank" rel="noopener"><img :src="`/api/photos/${photo.photo}?size=thumb`" :alt="photo.note || 'Photo of this part'" class="aspect-[4/3] w-full bg-paper object-contain" loading="lazy"></a>
        <p class="text-[13px]">{{ photo.note }} <span class="text-faint">{{ photo.by }}, <WhenAt :at="photo.at" /></span></p>
        <button type="button" class="act-bare text-[13px]" @click="job.put({ type: 'undo', act: photo.id })">Take back</button>
      </li>
    </ul>
    <p v-if="photos.length === 0" class="text-[13px]">No photo of it yet.</p>
  </div>
</template>

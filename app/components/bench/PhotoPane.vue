<script setup lang="ts">
import { CameraIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import { useBench } from '../../stores/bench'
import { useJob } from '../../stores/job'
import { usePhotoOutbox } from '../../stores/photoOutbox'
import WhenAt from '../parts/WhenAt.vue'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/** Photos of a part: taken or chosen, kept on the device until the server has them, and taken back like any act. */
const props = defineProps<{ part: string }>()
const job = useJob()
const bench = useBench()
const outbox = usePhotoOutbox()

const LIMIT_MB = 16
const note = ref('')
const problem = ref('')
const input = ref<HTMLInputElement | null>(null)
const photos = computed(() => job.record.photos.filter((photo) => photo.part === props.part).toReversed())
const mine = computed(() => outbox.photos.filter(({ jobId, act }) => jobId === job.id && act.part === props.part))
const sending = computed(() => mine.value.some(({ refused }) => !refused) && !outbox.unreachable)
const onDevice = computed(() => mine.value.filter(({ refused }) => !refused).length)

async function take(file: File | null | undefined) {
  if (!file) return
  problem.value = ''
  if (file.size > LIMIT_MB * 1024 * 1024) {
    problem.value = `The picture is larger than ${LIMIT_MB} MB: set the camera to a smaller size and take it again.`
    return
  }
  const said = note.value.trim()
  const act = {
    id: crypto.randomUUID(),
    by: bench.by,
    at: new Date().toISOString(),
    type: 'photo' as const,
    photo: crypto.randomUUID(),
    part: props.part,
    ...(said ? { note: said } : {})
  }
  try {
    await outbox.put({ jobId: job.id, act, picture: file })
    note.value = ''
  } catch {
    problem.value = 'This browser has no room to keep the picture: free some, or send one that is smaller.'
  } finally {
    if (input.value) input.value.value = ''
  }
}
</script>

<template>
  <div class="space-y-3">
    <Field v-model="note" label="What it shows" maxlength="4000" />
    <button type="button" class="act-main flex w-full items-center justify-center gap-2" @click="input?.click()">
      <CameraIcon class="size-5" aria-hidden="true" />{{ sending ? 'Sending …' : 'Take or choose a photo' }}
    </button>
    <input
      ref="input"
      type="file"
      accept="image/jpeg,image/png,image/webp,image/*"
      class="sr-only"
      tabindex="-1"
      aria-label="Photo of this part"
      data-testid="photo-input"
      @change="take(($event.target as HTMLInputElement).files?.[0])" />
    <p class="text-note text-faint">
      JPEG, PNG or WebP up to {{ LIMIT_MB }} MB. Turned upright; what the camera wrote into it, the place too, is left
      out.
    </p>
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
    <template v-for="photo in mine" :key="photo.act.id">
      <FaultNote v-if="photo.refused"
        >{{ photo.refused }}
        <button type="button" class="act-bare" @click="outbox.dismiss(photo.act.id)">Understood</button></FaultNote
      >
    </template>
    <p v-if="onDevice > 0 && outbox.unreachable" role="status" data-testid="photos-waiting">
      {{ onDevice }} {{ onDevice === 1 ? 'photo waits' : 'photos wait' }} on this device.
      <button type="button" class="act-bare" @click="outbox.flush()">Send now</button>
    </p>
    <ul class="grid grid-cols-2 gap-2">
      <li v-for="photo in photos" :key="photo.id" data-testid="photo">
        <a :href="`/api/photos/${photo.photo}`" target="_blank" rel="noopener"
          ><img
            :src="`/api/photos/${photo.photo}?size=thumb`"
            :alt="photo.note || 'Photo of this part'"
            class="aspect-[4/3] w-full bg-paper object-contain"
            loading="lazy"
        /></a>
        <p class="text-note">
          {{ photo.note }} <span class="text-faint">{{ photo.by }}, <WhenAt :at="photo.at" /></span>
        </p>
        <button type="button" class="act-bare text-note" @click="job.put({ type: 'undo', act: photo.id })">
          Take back
        </button>
      </li>
    </ul>
    <p v-if="photos.length === 0" class="text-note">No photo of it yet.</p>
  </div>
</template>

<script setup lang="ts">
import { PHONE, PHOTO_PANE } from '../../../../words/en'
import { CameraIcon } from '@heroicons/vue/20/solid'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref } from 'vue'
import { partsAt } from '../../../../core/views/bench'
import { useLive } from '../../../composables/useLive'
import { useTakePhoto } from '../../../composables/useTakePhoto'
import FaultNote from '../../../components/parts/FaultNote.vue'
import Field from '../../../components/parts/Field.vue'
import TakeFile from '../../../components/parts/TakeFile.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { usePhotoOutbox } from '../../../stores/photoOutbox'
import { partName } from '../../../words'

/** A phone as the bench's camera: what it takes lands on the part that is open there, or on one that is chosen here. */
const job = useOpenJob()
const bench = useBench()
const outbox = usePhotoOutbox()
const part = ref('engine')
const { take, problem } = useTakePhoto(() => part.value)
const parts = computed(() => [
  ...new Set(['engine', ...([3, 4, 5, 6, 7] as const).flatMap((station) => partsAt(job.job.sheet, station))])
])
const mine = computed(() => outbox.photos.filter(({ jobId }) => jobId === job.id))
const photos = computed(() => job.record.photos.toReversed().slice(0, 6))

/** The part that is open on the bench; the one here stays where that is not known. */
async function follow() {
  const open = await $fetch<{ part: string }>(`/api/jobs/${job.id}/bench`, { retry: 0 }).catch(() => ({ part: '' }))
  if (open.part) part.value = open.part
}
useLive((happened) => {
  if (happened === null) void follow()
  else if (happened.job === job.id && happened.part) part.value = happened.part
})
onMounted(() => void follow())
</script>

<template>
  <div class="flex min-h-dvh flex-col">
    <TopBar
      ><h1 class="truncate font-bold">{{ job.job.vehicle }}</h1></TopBar
    >
    <main class="mx-auto flex w-full max-w-md flex-1 flex-col gap-4 p-4">
      <p class="text-note text-faint">{{ PHONE.landsOn }}</p>
      <p class="text-3xl font-bold" aria-live="polite" data-testid="camera-part">{{ partName(job.job.sheet, part) }}</p>
      <TakeFile
        class="act-main flex min-h-24 w-full items-center justify-center gap-3 text-xl"
        :label="PHOTO_PANE.photoOfThisPart"
        accept="image/*"
        capture="environment"
        test-id="camera-input"
        :disabled="!bench.by"
        @file="(file) => take(file)">
        <CameraIcon class="size-8" aria-hidden="true" />{{ PHONE.take }}
      </TakeFile>
      <p v-if="!bench.by" role="alert">{{ PHONE.whoTakes }}</p>
      <FaultNote v-if="problem">{{ problem }}</FaultNote>
      <p v-if="mine.length" role="status">{{ PHOTO_PANE.onThisDevice(mine.length) }}</p>
      <ul class="grid grid-cols-3 gap-2" data-testid="camera-taken">
        <li v-for="photo in photos" :key="photo.id" class="text-note">
          <img
            :src="`/api/photos/${photo.photo}?size=thumb`"
            :alt="partName(job.job.sheet, photo.part)"
            class="aspect-[4/3] w-full bg-sheet object-cover" />{{ partName(job.job.sheet, photo.part) }}
        </li>
      </ul>
      <Field :label="PHONE.another" class="mt-auto">
        <template #default="{ control }">
          <select v-model="part" v-bind="control">
            <option v-for="id in parts" :key="id" :value="id">{{ partName(job.job.sheet, id) }}</option>
          </select>
        </template>
      </Field>
    </main>
  </div>
</template>

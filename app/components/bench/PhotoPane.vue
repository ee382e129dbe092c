<script setup lang="ts">
import { anyFindingWords, COMMON, PHOTO_PANE } from '../../../words/en'
import { CameraIcon } from '@heroicons/vue/20/solid'
import { computed, ref } from 'vue'
import { $fetch } from 'ofetch'
import { isCharted } from '../../../core/drive'
import { compileSheet, partKindOf } from '../../../core/sheet'
import { useTakePhoto } from '../../composables/useTakePhoto'
import { shownProblem } from '../../problem'
import { useJob } from '../../stores/job'
import { usePhotoOutbox } from '../../stores/photoOutbox'
import WhenAt from '../parts/WhenAt.vue'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import TakeFile from '../parts/TakeFile.vue'

/** Photos of a part: taken or chosen, kept on the device until the server has them, and taken back like any act. */
const props = defineProps<{ part: string }>()
const job = useJob()
const outbox = usePhotoOutbox()

const note = ref('')
const shows = ref('')
/** What was found on the part, latest first: a photo is linked to what is seen on it. */
const found = computed(() =>
  job.record.readings.flatMap((r) => (r.kind === 'condition' && r.target === props.part ? [r] : [])).toReversed()
)
const wordsOf = (id: string | undefined) => {
  const one = found.value.find((r) => r.id === id)
  return one ? anyFindingWords(one.finding) : ''
}
const { take: takeOf, problem, limit } = useTakePhoto(() => props.part)
const photos = computed(() => job.record.photos.filter((photo) => photo.part === props.part).toReversed())
const mine = computed(() => outbox.photos.filter(({ jobId, act }) => jobId === job.id && act.part === props.part))
const sending = computed(() => mine.value.some(({ refused }) => !refused) && !outbox.unreachable)
const onDevice = computed(() => mine.value.filter(({ refused }) => !refused).length)

/** The practice camera has pictures of these, and of the open front where the sheet draws it. */
const practices = computed(() => {
  const sheet = job.job?.sheet
  if (!sheet) return []
  const kind = partKindOf(sheet, props.part)
  const charted = sheet.chains.every((chain) => isCharted(sheet, chain))
  const marked = charted && kind === 'sprocket' && compileSheet(sheet).markOf(props.part) !== undefined
  return [
    ...(marked || PRACTISED.some((one) => one === kind)
      ? [{ id: 'camera', of: props.part, label: PHOTO_PANE.practiceCamera }]
      : []),
    ...(charted && kind === 'chain' ? [{ id: 'front', of: undefined, label: PHOTO_PANE.practiceFront }] : [])
  ]
})
const PRACTISED = ['tensioner', 'chain', 'guide', 'arm'] as const
const practising = ref(false)
async function practise(part?: string) {
  practising.value = true
  try {
    const taken = await $fetch<ArrayBuffer, 'arrayBuffer'>(`/api/jobs/${job.id}/camera.jpg`, {
      query: { part },
      responseType: 'arrayBuffer'
    })
    await takeOf(new File([taken], 'practice.jpg', { type: 'image/jpeg' }), { note: PHOTO_PANE.practiceNote })
  } catch (error) {
    problem.value = shownProblem(error).message
  } finally {
    practising.value = false
  }
}

async function take(file: File) {
  if (!(await takeOf(file, { note: note.value.trim(), shows: shows.value }))) return
  note.value = ''
  shows.value = ''
}
</script>

<template>
  <div class="space-y-3">
    <Field v-if="found.length" :label="PHOTO_PANE.findingSeen">
      <template #default="{ control }">
        <select v-model="shows" v-bind="control" data-testid="photo-shows">
          <option value="">{{ PHOTO_PANE.noneOfThem }}</option>
          <option v-for="one in found" :key="one.id" :value="one.id">{{ anyFindingWords(one.finding) }}</option>
        </select>
      </template>
    </Field>
    <Field v-model="note" :label="PHOTO_PANE.whatItShows" maxlength="4000" />
    <TakeFile
      class="act-main flex w-full items-center justify-center gap-2"
      :label="PHOTO_PANE.photoOfThisPart"
      accept="image/jpeg,image/png,image/webp,image/*"
      test-id="photo-input"
      @file="take">
      <CameraIcon class="size-5" aria-hidden="true" />{{ sending ? PHOTO_PANE.sending : PHOTO_PANE.takeOrChooseAPhoto }}
    </TakeFile>
    <p class="text-note text-faint">
      {{ PHOTO_PANE.jpegPngOrWebpUp(limit) }}
    </p>
    <button
      v-for="one in practices"
      :key="one.id"
      type="button"
      class="act w-full"
      :disabled="practising"
      :data-testid="`practice-${one.id}`"
      @click="practise(one.of)">
      {{ one.label }}
    </button>
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
    <template v-for="photo in mine" :key="photo.act.id">
      <FaultNote v-if="photo.refused"
        >{{ photo.refused }}
        <button type="button" class="act-bare" @click="outbox.dismiss(photo.act.id)">
          {{ COMMON.understood }}
        </button></FaultNote
      >
    </template>
    <p v-if="onDevice > 0 && outbox.unreachable" role="status" data-testid="photos-waiting">
      {{ PHOTO_PANE.onThisDevice(onDevice) }}
      <button type="button" class="act-bare" @click="outbox.flush()">{{ PHOTO_PANE.sendNow }}</button>
    </p>
    <ul class="grid grid-cols-2 gap-2">
      <li v-for="photo in photos" :key="photo.id" data-testid="photo">
        <a :href="`/api/photos/${photo.photo}`" target="_blank" rel="noopener"
          ><img
            :src="`/api/photos/${photo.photo}?size=thumb`"
            :alt="photo.note || wordsOf(photo.shows) || PHOTO_PANE.photoOfThisPart"
            class="aspect-[4/3] w-full bg-paper object-contain"
            loading="lazy"
        /></a>
        <p class="text-note">
          <span v-if="wordsOf(photo.shows)" class="font-bold">{{ wordsOf(photo.shows) }} </span>{{ photo.note }}
          <span class="text-faint">{{ photo.by }}, <WhenAt :at="photo.at" /></span>
        </p>
        <NuxtLink
          class="act-bare text-note"
          :to="`/jobs/${job.id}/measure?photo=${photo.photo}&part=${part}`"
          :prefetch="false">
          {{ PHOTO_PANE.measure }}</NuxtLink>{{ ' ' }}
        <button type="button" class="act-bare text-note" @click="job.put({ type: 'undo', act: photo.id })">
          {{ COMMON.takeBack }}
        </button>
      </li>
    </ul>
    <p v-if="photos.length === 0" class="text-note">{{ PHOTO_PANE.noPhotoOfItYet }}</p>
  </div>
</template>

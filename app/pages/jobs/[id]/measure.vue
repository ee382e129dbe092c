<script setup lang="ts">
import { MEASURE } from '../../../../words/en'
import { computed, ref, watch } from 'vue'
import Field from '../../../components/parts/Field.vue'
import TopBar from '../../../components/parts/TopBar.vue'
import { type Asked, askedOf, asksOf, READ_AS } from '../../../components/measure/asks'
import LinksOnPhoto from '../../../components/measure/LinksOnPhoto.vue'
import TapsOnPhoto from '../../../components/measure/TapsOnPhoto.vue'
import { useMeasuring } from '../../../composables/useMeasuring'
import { useOpenJob } from '../../../stores/job'
import { partName } from '../../../words'

/** Measures on a photo of a part: lengths, marks and links, each kept as a reading with the photo and its points. */
const route = useRoute()
const job = useOpenJob()

const part = computed(() => String(route.query.part ?? ''))
const photo = computed(() => job.record.photos.find((one) => one.photo === String(route.query.photo ?? '')) ?? null)
const src = computed(() => (photo.value ? `/api/photos/${photo.value.photo}` : ''))
/** The reading that the photo is opened for again. */
const again = computed(() => {
  const act = job.acts.find(({ id }) => id === String(route.query.reading ?? ''))
  return act?.type === 'read' && act.picture ? { id: act.id, reading: act.reading, picture: act.picture } : null
})
const asks = computed(() => asksOf(job.job.sheet, part.value))
const asked = ref<Asked>(again.value ? askedOf(again.value.reading) : asks.value[0]!)
watch(asks, (now) => {
  if (!now.includes(asked.value)) asked.value = now[0]!
})
/** Back to the figure that it is of. */
const bench = computed(() => {
  const read = READ_AS[asked.value]
  const opens = read && read !== 'linkCount'
  return `/jobs/${job.id}${opens ? `?read=${read}:${part.value}` : ''}`
})

const measuring = useMeasuring(async () => (src.value ? await (await fetch(src.value)).blob() : null))
useHead({ title: () => MEASURE.title(job.job.vehicle) })
</script>

<template>
  <div class="flex h-dvh flex-col">
    <TopBar
      ><h1 class="truncate font-bold">{{ MEASURE.heading }}</h1>
      <p class="truncate text-faint">{{ job.job.vehicle }} · {{ partName(job.job.sheet, part) }}</p></TopBar
    >
    <component
      :is="asked === 'links' ? LinksOnPhoto : TapsOnPhoto"
      :key="asked === 'links' ? 'links' : 'taps'"
      :part="part"
      :photo="photo?.photo ?? ''"
      :src="src"
      :asked="asked"
      :again="again"
      :measuring="measuring">
      <NuxtLink class="act absolute top-2 left-2 inline-flex items-center" :to="bench" :prefetch="false">{{
        MEASURE.back
      }}</NuxtLink>
      <template #asked>
        <Field :label="MEASURE.ask">
          <template #default="{ control }">
            <select v-model="asked" v-bind="control" data-testid="asked">
              <option v-for="ask in asks" :key="ask" :value="ask">{{ MEASURE.asks[ask] }}</option>
            </select>
          </template>
        </Field>
      </template>
    </component>
  </div>
</template>

<script setup lang="ts">
import { MEASURE, sayPicture, SIGHT_PHOTO } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, onUnmounted, ref } from 'vue'
import { NINETY, type Point } from '../../../core/math'
import type { MeasureFile } from '../../../core/picture'
import { type Inspection, type LookedAt, photographedOf } from '../../../core/views/practice'
import { useMeasured } from '../../composables/useMeasured'
import { useMeasuring } from '../../composables/useMeasuring'
import { useOpenPractice } from '../../stores/practice'
import { lengthFigure, lengthWords } from '../../units'
import { unitWords } from '../../words'
import { between, type Tap } from '../measure/marks'
import PhotoPlate from '../measure/PhotoPlate.vue'
import FaultNote from '../parts/FaultNote.vue'

/** What a look shows, as a photo beside a scale card: its figure is what the learner's two points make of it. */
const props = defineProps<{ inspection: Inspection; looked: LookedAt }>()
const practice = useOpenPractice()

const src = ref('')
const measuring = useMeasuring(async () => {
  const taken = await $fetch<ArrayBuffer, 'arrayBuffer'>(`/api/practice/cases/${practice.key}/photo.jpg`, {
    query: { inspection: props.inspection.id, ...props.looked },
    responseType: 'arrayBuffer'
  })
  const photo = new File([taken], 'practice.jpg', { type: 'image/jpeg' })
  src.value = URL.createObjectURL(photo)
  return photo
})
onUnmounted(() => URL.revokeObjectURL(src.value))
const { size, card, state } = measuring

const points = ref<Record<string, Point>>({})
const taps = computed<Tap[]>(() => {
  const of = photographedOf(props.inspection)
  return of ? MEASURE.ends[of].map((label, i) => ({ id: String(i), label, at: points.value[i] ?? null })) : []
})
const chosen = ref('0')
function put(id: string, at: Point) {
  points.value = { ...points.value, [id]: at }
  chosen.value = taps.value.find((tap) => !tap.at)?.id ?? id
}

const file = computed<MeasureFile | null>(() => {
  const [a, b] = [points.value[0], points.value[1]]
  if (!size.value || !card.value || !a || !b) return null
  return {
    format: 'umbrette-picture',
    version: 1,
    size: [...size.value],
    plane: [card.value],
    measure: [{ kind: 'length', a: [...a], b: [...b] }]
  }
})
const measured = useMeasured(measuring, file)
const result = computed(() => {
  const found = measured.value
  const [one] = found && !('code' in found) ? found.results : []
  return one && 'value' in one ? one : null
})
const said = computed(() => {
  const found = measured.value
  if (found && 'code' in found) return sayPicture(found)
  return measuring.problem.value || (state.value === 'ready' && !card.value ? MEASURE.noCardSo : '')
})

function keep() {
  const [asked] = props.inspection.reads
  if (!result.value || !asked) return
  const { value, sigma } = result.value
  const figures = { value: Number(value.toFixed(2)), sigma: Number(sigma.toFixed(3)) }
  practice.read({ ...asked, method: 'photo', ...figures } as Parameters<typeof practice.read>[0])
}
</script>

<template>
  <section class="flex min-h-0 flex-1 flex-col" :aria-label="SIGHT_PHOTO.photoOf(practice.titleOf(inspection))">
    <div class="relative min-h-0 flex-1 bg-plate">
      <PhotoPlate
        v-if="size && src"
        :src="src"
        :size="size"
        :taps="taps"
        :chosen="chosen"
        :card="measuring.corners.value"
        :lines="between(taps, 'part')"
        :alt="practice.titleOf(inspection)"
        @put="put"
        @choose="chosen = $event" />
      <p v-else class="p-4 text-scribe" role="status">{{ said || MEASURE.opening }}</p>
    </div>
    <div class="flex flex-wrap items-center gap-2 border-t border-rule bg-sheet px-2 py-1">
      <button
        v-for="tap in taps"
        :key="tap.id"
        type="button"
        class="act"
        :class="tap.id === chosen ? 'border-2 !border-ink font-bold' : ''"
        :aria-pressed="tap.id === chosen"
        :data-testid="`end-${tap.id}`"
        @click="chosen = tap.id">
        <span aria-hidden="true">{{ tap.at ? '●' : '○' }}</span> {{ tap.label }}
      </button>
      <p v-if="state === 'looking'" role="status">{{ SIGHT_PHOTO.findsTheCard }}</p>
      <FaultNote v-else-if="size && said">{{ said }}</FaultNote>
      <button v-if="result" type="button" class="act-main ml-auto" data-testid="keep-photo" @click="keep">
        {{
          SIGHT_PHOTO.writeDown(
            lengthWords(result.value, 1),
            MEASURE.within(lengthFigure(NINETY * result.sigma, 2), unitWords('extension'))
          )
        }}
      </button>
    </div>
  </section>
</template>

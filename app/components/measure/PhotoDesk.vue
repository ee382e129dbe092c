<script setup lang="ts">
import { MEASURE } from '../../../words/en'
import type { Measuring } from '../../composables/useMeasuring'
import Caution from '../parts/Caution.vue'
import FaultNote from '../parts/FaultNote.vue'
import CardLinks from './CardLinks.vue'
import type { PlateLine, Tap } from './marks'
import PhotoPlate from './PhotoPlate.vue'
import type { Point } from '../../../core/math'

/** A photo to measure on with its points, and beside it what is asked and what it comes to. */
defineProps<{
  src: string
  measuring: Measuring
  taps: readonly Tap[]
  chosen: string
  lines: readonly PlateLine[]
  alt: string
  /** What is said while no photo is open. */
  empty: string
}>()
defineEmits<{ put: [id: string, at: Point]; choose: [id: string] }>()
</script>

<template>
  <main class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_22rem] max-md:grid-cols-1 max-md:overflow-y-auto">
    <div class="relative min-h-0 bg-plate max-md:h-[55dvh]">
      <PhotoPlate
        v-if="measuring.size.value && src"
        :src="src"
        :size="measuring.size.value"
        :taps="taps"
        :chosen="chosen"
        :card="measuring.corners.value"
        :lines="lines"
        :alt="alt"
        @put="(id, at) => $emit('put', id, at)"
        @choose="$emit('choose', $event)" />
      <p v-else class="p-4 pt-16 text-scribe" role="status">
        {{ src ? measuring.problem.value || MEASURE.opening : empty }}
      </p>
      <slot name="plate" />
    </div>
    <aside class="flex min-h-0 flex-col gap-3 overflow-y-auto border-l border-rule bg-sheet p-4">
      <slot name="asked" />
      <p v-if="measuring.state.value === 'looking'" role="status">{{ MEASURE.looking }}</p>
      <p v-else-if="measuring.card.value" class="text-note" data-testid="card-found">
        {{ MEASURE.cardFound(measuring.corners.value.length) }}
      </p>
      <FaultNote v-if="measuring.size.value && measuring.problem.value">{{ measuring.problem.value }}</FaultNote>
      <slot />
      <CardLinks class="mt-auto" />
      <Caution lead="">{{ MEASURE.aid }}</Caution>
    </aside>
  </main>
</template>

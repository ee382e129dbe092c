<script setup lang="ts">
import { HOW, HOW_PANE, inspectionWords, namesOf } from '../../../words/en'
import { computed } from 'vue'
import { exampleCase, type Inspection, lookedAt } from '../../../core/views/practice'
import { pictureOf } from '../../../draw/practice/pictureOf'
import type { DriveSheet } from '../../../core/sheet'
import ShapeList from '../parts/ShapeList.vue'

/** How something is read: with what, where on this engine, and the two usual mistakes. */
const props = defineProps<{
  sheet: DriveSheet
  inspection: Inspection
  finding?: { target: string; finding: string }
}>()
const words = computed(() => HOW[props.inspection.kind])
const title = computed(() => inspectionWords(lookedAt(props.inspection), namesOf(props.sheet)))
const picture = computed(() =>
  pictureOf(exampleCase(props.sheet, props.finding), props.inspection, { attempt: 0, turnedForward: true }, 0)
)
</script>

<template>
  <section class="space-y-2 border-l-4 border-plate bg-paper p-3" :aria-label="title" data-testid="how">
    <h3 class="font-bold">{{ title }}</h3>
    <svg
      v-if="picture"
      :viewBox="`0 0 ${picture.width} ${picture.height}`"
      class="w-full bg-sheet"
      role="img"
      :aria-label="HOW_PANE.drawn(title)">
      <ShapeList :shapes="picture.shapes" />
    </svg>
    <p>
      <b>{{ HOW_PANE.tool }}:</b> {{ words.tool }}.
    </p>
    <p>{{ words.how }}</p>
    <p class="label">{{ HOW_PANE.mistakes }}</p>
    <ol class="list-decimal pl-5">
      <li v-for="mistake in words.mistakes" :key="mistake">{{ mistake }}</li>
    </ol>
  </section>
</template>

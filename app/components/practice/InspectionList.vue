<script setup lang="ts">
import { INSPECTION_LIST } from '../../../words/en'
import { computed } from 'vue'
import type { Inspection, InspectionKind } from '../../../core/views/practice'
import { useOpenPractice } from '../../stores/practice'
import { minutesWords } from './words'

/** Everything that can be inspected, station by station, with the minutes it would take now. */
const practice = useOpenPractice()
const emit = defineEmits<{ chosen: [] }>()

const GROUPS: readonly { title: string; kinds: readonly InspectionKind[] }[] = [
  { title: INSPECTION_LIST.n1Complaint, kinds: ['ask'] },
  { title: INSPECTION_LIST.n2BeforeTheCovers, kinds: ['scan', 'plug', 'pan', 'oil', 'compression'] },
  { title: INSPECTION_LIST.n3SetToTheMark, kinds: ['marks', 'wheel', 'count'] },
  { title: INSPECTION_LIST.n4Tension, kinds: ['extension', 'push', 'pad'] },
  { title: INSPECTION_LIST.n5Rails, kinds: ['rail'] },
  { title: INSPECTION_LIST.n6Phasers, kinds: ['phaser', 'pin'] },
  { title: INSPECTION_LIST.n7ChainOnTheBench, kinds: ['bench', 'length', 'teeth'] }
]
const groups = computed(() =>
  GROUPS.map(({ title, kinds }) => ({
    title,
    items: practice.inspections.filter(({ kind }) => kinds.includes(kind))
  })).filter(({ items }) => items.length > 0)
)
const looks = ({ id }: Inspection) => practice.stand.looks.get(id) ?? 0

function choose(id: string) {
  practice.chosen = id
  emit('chosen')
}
</script>

<template>
  <nav class="overflow-y-auto border-r border-rule bg-sheet pb-4" :aria-label="INSPECTION_LIST.inspections">
    <section v-for="{ title, items } in groups" :key="title">
      <h2 class="label px-3 pt-3 pb-1">{{ title }}</h2>
      <button
        v-for="item in items"
        :key="item.id"
        type="button"
        class="flex min-h-11 w-full items-center gap-2 border-l-4 px-2 py-1 text-left leading-tight"
        :class="practice.chosen === item.id ? 'border-brass bg-paper font-bold' : 'border-transparent'"
        :aria-current="practice.chosen === item.id"
        :data-testid="`inspection-${item.id}`"
        @click="choose(item.id)">
        <svg width="14" height="14" viewBox="-7 -7 14 14" class="shrink-0" aria-hidden="true">
          <circle r="5" :class="looks(item) ? 'fill-ink' : 'fill-none'" class="stroke-ink" stroke-width="1.500" />
        </svg>
        <span class="min-w-0 flex-1"
          >{{ practice.titleOf(item)
          }}<span v-if="looks(item)" class="sr-only">{{ INSPECTION_LIST.lookedAt }}</span></span
        >
        <span class="figure text-note font-normal text-faint">{{ minutesWords(practice.costOf(item)) }}</span>
      </button>
    </section>
  </nav>
</template>

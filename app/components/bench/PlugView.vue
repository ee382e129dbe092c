<script setup lang="ts">
import { PLUG_VIEW } from '../../../words/en'
import { computed } from 'vue'
import { extensionToNotches, notchesToExtension } from '../../../core/readings'
import { lengthWords } from '../../units'

/** A tensioner as it is seen through its inspection plug: the plunger's rack with the notches that show. */
const props = defineProps<{ ratchet: { first: number; pitch: number }; stroke: number; notches: number }>()
const emit = defineEmits<{ notches: [notches: number] }>()

const most = computed(() => extensionToNotches(props.ratchet, props.stroke))
const shownNotches = computed(() => Math.min(Math.max(0, props.notches), most.value))
const TOOTH = 15
const teeth = computed(() => Array.from({ length: shownNotches.value }, (_, i) => `M${150 - i * TOOTH} 62l-7 12-8-12`))
const says = computed(() =>
  PLUG_VIEW.ofAtMostNotchesShowing(
    shownNotches.value,
    most.value,
    lengthWords(notchesToExtension(props.ratchet, shownNotches.value), 1)
  )
)
</script>

<template>
  <figure class="border border-rule bg-paper p-2">
    <svg viewBox="0 0 300 112" class="block w-full" role="img" :aria-label="says">
      <rect x="4" y="24" width="150" height="64" class="fill-sheet stroke-ink" stroke-width="1.500" rx="2" />
      <rect
        :x="40"
        y="40"
        :width="120 + shownNotches * TOOTH"
        height="34"
        class="fill-sheet stroke-ink"
        stroke-width="1.500" />
      <g :transform="`translate(${shownNotches * TOOTH} 0)`">
        <path v-for="(d, i) in teeth" :key="i" :d="d" class="fill-paper stroke-ink" stroke-width="1.500" />
      </g>
      <line x1="154" x2="154" y1="18" y2="94" class="stroke-brass" stroke-width="2" />
      <text x="154" y="108" text-anchor="middle" font-size="11" class="fill-faint">{{ PLUG_VIEW.edgeOfTheBody }}</text>
    </svg>
    <figcaption class="flex items-center justify-between gap-2 text-note">
      <button
        type="button"
        class="act"
        :aria-label="PLUG_VIEW.oneNotchFewer"
        @click="emit('notches', Math.max(0, shownNotches - 1))">
        −
      </button>
      <span>{{ says }}</span>
      <button
        type="button"
        class="act"
        :aria-label="PLUG_VIEW.oneNotchMore"
        @click="emit('notches', Math.min(most, shownNotches + 1))">
        +
      </button>
    </figcaption>
  </figure>
</template>

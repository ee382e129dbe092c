<script setup lang="ts">
import { clamp } from 'lodash-es'
import { computed } from 'vue'
import { placeOn } from '../ledger/placeOn'

/** Where a reading lies against what an explanation would have it show: the tick, with the band of its own doubt. */
const props = defineProps<{ misses: number }>()

/** Times its own doubt at which the strip ends. */
const END = 5
const WIDTH = 84
const place = placeOn([-END, END], [4, WIDTH - 4])
const x = (misses: number) => place(clamp(misses, -END, END))
const fits = computed(() => Math.abs(props.misses) < 2)
const isFar = computed(() => Math.abs(props.misses) > END)
</script>

<template>
  <svg :width="WIDTH" height="12" :viewBox="`0 0 ${WIDTH} 12`" aria-hidden="true">
    <rect :x="x(-2)" y="4" :width="x(2) - x(-2)" height="4" class="fill-rule" />
    <path :d="`M4 6H${WIDTH - 4}M${x(0)} 1V11`" class="stroke-faint" stroke-width="1" fill="none" />
    <path
      v-if="isFar"
      :d="`M${x(misses) + (misses > 0 ? -4 : 4)} 2L${x(misses)} 6L${x(misses) + (misses > 0 ? -4 : 4)} 10`"
      class="fill-none stroke-renew"
      stroke-width="2" />
    <circle v-else :cx="x(misses)" cy="6" r="3.500" :class="fits ? 'fill-ink' : 'fill-renew'" />
  </svg>
</template>

<script setup lang="ts">
import { MEASURE } from '../../../words/en'
import { computed } from 'vue'
import type { Tap } from './marks'

/** The points that are asked for: which are put, and which one the next tap puts. */
const props = defineProps<{ taps: readonly Tap[]; chosen: string }>()
defineEmits<{ choose: [id: string] }>()
const next = computed(() => props.taps.find(({ id, at }) => id === props.chosen && !at))
</script>

<template>
  <div role="group" :aria-label="MEASURE.points">
    <p class="label">{{ MEASURE.points }}</p>
    <ul>
      <li v-for="tap in taps" :key="tap.id">
        <button
          type="button"
          class="flex min-h-11 w-full items-center gap-2 border-b border-rule/60 text-left"
          :class="tap.id === chosen ? 'font-bold' : ''"
          :aria-pressed="tap.id === chosen"
          :data-testid="`end-${tap.id}`"
          @click="$emit('choose', tap.id)">
          <span aria-hidden="true">{{ tap.at ? '●' : '○' }}</span>{{ tap.label }}
        </button>
      </li>
    </ul>
    <p class="mt-1 text-note text-faint" role="status">
      {{ next ? MEASURE.tapNext(next.label) : taps.every(({ at }) => at) ? MEASURE.allPut : '' }}
    </p>
  </div>
</template>

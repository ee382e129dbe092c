<script setup lang="ts">
import { STATION_HINT, STATION_HINTS } from '../../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'

/** What a station is for, at its first use on a device. */
const props = defineProps<{ station: number }>()
const seen = useLocalStorage<number[]>('umbrette.stations-seen', [])
const hint = computed(() => (seen.value.includes(props.station) ? undefined : STATION_HINTS[props.station]))
</script>

<template>
  <p
    v-if="hint"
    class="no-print flex items-center gap-3 border-l-4 border-plate bg-paper py-1 pr-1 pl-3 text-note"
    role="note"
    data-testid="station-hint">
    <span class="flex-1">{{ hint }}</span><button
      type="button"
      class="act-bare shrink-0"
      @click="seen = [...seen, station]">
      {{ STATION_HINT.understood }}
    </button>
  </p>
</template>

<script setup lang="ts">
import { computed } from 'vue'
import { STATIONS, type Slot, type Station } from '../../../core/job/slots'

/** The stations at which this drive is read, with how much of each is done. */
const props = defineProps<{ slots: readonly Slot[]; read: ReadonlySet<string>; current: Station | null; verdict: string }>()
const emit = defineEmits<{ station: [station: Station] }>()

const stations = computed(() =>
  (Object.entries(STATIONS) as unknown as [string, string][]).map(([number, name]) => {
    const station = Number(number) as Station
    const mine = props.slots.filter((slot) => slot.station === station)
    return { station, name, all: mine.length, done: mine.filter((slot) => props.read.has(slot.key)).length }
  }).filter(({ all }) => all > 0)
)
</script>

<template>
  <nav aria-label="Stations of this job" class="flex flex-col border-r border-rule bg-sheet">
    <ol class="flex flex-1 flex-col">
      <li v-for="{ station, name, all, done } in stations" :key="station">
        <button
          type="button" class="flex min-h-[72px] w-full items-start gap-2 border-l-4 px-2 py-2 text-left leading-tight"
          :class="station === current ? 'border-brass bg-paper' : 'border-transparent'" :aria-current="station === current ? 'step' : undefined" @click="emit('station', station)"
        >
          <span class="figure text-lg leading-none">{{ station }}</span>
          <span>
            <span class="block">{{ name }}</span>
            <span class="mt-1 block text-[13px] text-faint">{{ done === 0 ? 'nothing read' : `${done} of ${all} read` }}</span>
          </span>
        </button>
      </li>
    </ol>
    <NuxtLink :to="verdict" class="flex min-h-[72px] items-start gap-2 border-l-4 border-t border-l-transparent border-t-rule px-2 py-2 leading-tight">
      <span class="figure text-lg leading-none">8</span>
      <span><span class="block font-bold">Verdict</span><span class="mt-1 block text-[13px] text-faint">what goes back in</span></span>
    </NuxtLink>
  </nav>
</template>

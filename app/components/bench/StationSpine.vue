<script setup lang="ts">
import { STATION_NAMES, STATION_SPINE } from '../../../words/en'
import type { Station, StationState } from '../../../core/views/bench'

/** The stations of the job, with what is done and what is missing at each. */
const props = defineProps<{
  stations: readonly StationState[]
  current: Station
  next: Station | null
  verdict: string
}>()
const emit = defineEmits<{ station: [station: Station] }>()

const later = [
  { number: 9, name: STATION_SPINE.buildUp, to: props.verdict.replace('verdict', 'build') },
  { number: 10, name: STATION_SPINE.proof, to: props.verdict.replace('verdict', 'proof') }
]

function doneWords({ read, all, findings }: StationState): string {
  const parts = [
    ...(read > 0 ? [STATION_SPINE.ofRead(read, all)] : []),
    ...(findings > 0 ? [STATION_SPINE.found(findings)] : [])
  ]
  return parts.length > 0 ? parts.join(', ') : STATION_SPINE.nothingYet
}
</script>

<template>
  <nav
    :aria-label="STATION_SPINE.stationsOfThisJob"
    class="no-print flex min-h-0 flex-col overflow-y-auto border-r border-rule bg-sheet max-md:flex-row max-md:overflow-x-auto max-md:border-r-0 max-md:border-b">
    <ol class="flex flex-1 flex-col max-md:flex-row">
      <li v-for="state in stations" :key="state.station">
        <button
          type="button"
          class="flex min-h-[62px] w-full items-start gap-2 border-l-4 px-2 py-1.5 text-left leading-tight max-md:min-h-11 max-md:w-auto max-md:border-l-0 max-md:border-b-4 max-md:whitespace-nowrap"
          :class="state.station === current ? 'border-brass bg-paper' : 'border-transparent'"
          :aria-current="state.station === current ? 'step' : undefined"
          @click="emit('station', state.station)">
          <span class="figure text-lg leading-none">{{ state.station }}</span>
          <span>
            <span class="block">{{ STATION_NAMES[state.station] }}</span>
            <span class="mt-0.5 block text-note text-faint max-md:hidden">{{ doneWords(state) }}</span>
            <span v-if="state.station === next" class="block text-note text-brass max-md:hidden">{{
              STATION_SPINE.next
            }}</span>
          </span>
        </button>
      </li>
    </ol>
    <NuxtLink
      :to="verdict"
      class="flex min-h-[62px] items-start gap-2 border-l-4 border-t border-l-transparent border-t-rule px-2 py-1.5 leading-tight max-md:min-h-11 max-md:border-t-0">
      <span class="figure text-lg leading-none">8</span>
      <span
        ><span class="block font-bold">{{ STATION_SPINE.verdict }}</span
        ><span class="mt-0.5 block text-note text-faint max-md:hidden">{{ STATION_SPINE.whatGoesBackIn }}</span></span
      >
    </NuxtLink>
    <div class="flex border-t border-rule max-md:border-t-0">
      <NuxtLink
        v-for="{ number, name, to } in later"
        :key="number"
        :to="to"
        :prefetch="false"
        class="flex min-h-11 flex-1 flex-col justify-center px-2 py-1 text-note leading-tight whitespace-nowrap max-md:flex-row max-md:items-center max-md:gap-1"
        ><span class="figure text-base leading-none">{{ number }}</span
        >{{ name }}</NuxtLink
      >
    </div>
  </nav>
</template>

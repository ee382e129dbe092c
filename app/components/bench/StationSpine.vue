<script setup lang="ts">
import { STATION_NAMES, STATION_SPINE } from '../../../words/en'
import { onMounted, ref, watch } from 'vue'
import type { Station, StationState } from '../../../core/views/bench'
import { useStrip } from '../../composables/useStrip'
import StripStep from '../parts/StripStep.vue'

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

/** Below each other or side by side: the station that is open is in view. */
const strip = ref<HTMLElement | null>(null)
const { before, after, step } = useStrip(strip, 'li:has(button, a)', '[aria-current=step]', () => props.current)
function showBelow() {
  const open = strip.value?.querySelector<HTMLElement>('[aria-current=step]')
  if (!strip.value || !open) return
  const top = open.getBoundingClientRect().top - strip.value.getBoundingClientRect().top + strip.value.scrollTop
  const least = top + open.offsetHeight - strip.value.clientHeight
  strip.value.scrollTop = Math.min(top, Math.max(least, strip.value.scrollTop))
}
// With the next picture, when what stands on the page is known anyway.
const showSoon = () => void window.requestAnimationFrame(showBelow)
onMounted(showSoon)
watch(() => props.current, showSoon)

/** On a telephone they stand in the strip. */
const phoneLater = [{ number: 8, name: STATION_SPINE.verdict, to: props.verdict }, ...later]

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
    class="no-print flex min-h-0 flex-col border-r border-rule bg-sheet max-md:flex-row max-md:border-r-0 max-md:border-b">
    <StripStep v-if="before" class="md:hidden" @step="step(-1)" />
    <ol
      ref="strip"
      class="no-bar flex min-h-0 flex-1 flex-col overflow-y-auto max-md:min-w-0 max-md:flex-row max-md:overflow-x-auto">
      <li v-for="state in stations" :key="state.station" class="shrink-0">
        <button
          type="button"
          class="flex min-h-[54px] w-full items-start gap-2 border-l-4 px-2 py-1.5 text-left leading-tight max-md:min-h-11 max-md:w-auto max-md:border-l-0 max-md:border-b-4 max-md:whitespace-nowrap"
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
      <li v-for="one in phoneLater" :key="one.number" class="shrink-0 md:hidden">
        <NuxtLink :to="one.to" :prefetch="false" class="flex min-h-11 items-center gap-2 px-2 whitespace-nowrap"
          ><span class="figure text-lg leading-none">{{ one.number }}</span
          >{{ one.name }}</NuxtLink
        >
      </li>
      <li v-if="before || after" class="w-24 shrink-0 md:hidden" aria-hidden="true" />
    </ol>
    <StripStep v-if="after" on class="md:hidden" @step="step(1)" />
    <NuxtLink
      :to="verdict"
      class="flex min-h-[52px] shrink-0 items-start gap-2 border-l-4 border-t border-l-transparent border-t-rule px-2 py-1.5 leading-tight max-md:hidden">
      <span class="figure text-lg leading-none">8</span>
      <span
        ><span class="block font-bold">{{ STATION_SPINE.verdict }}</span
        ><span class="block text-note text-faint">{{ STATION_SPINE.whatGoesBackIn }}</span></span
      >
    </NuxtLink>
    <div class="flex shrink-0 border-t border-rule max-md:hidden">
      <NuxtLink
        v-for="{ number, name, to } in later"
        :key="number"
        :to="to"
        :prefetch="false"
        class="flex min-h-11 flex-1 flex-col justify-center px-2 py-1 text-note leading-tight whitespace-nowrap"
        ><span class="figure text-base leading-none">{{ number }}</span
        >{{ name }}</NuxtLink
      >
    </div>
  </nav>
</template>

<script setup lang="ts">
import { LINK_COUNTER } from '../../../words/en'
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'

/** Counting links at the engine: a touch or a key for each, the number running large, halves, one back, start again. */
const props = defineProps<{
  /** What the sheet has for this run. */
  expected: number
  /** Runs of the loop in the order of travel with what was counted, this one with the running number. */
  runs: readonly { name: string; counted: number | null; current: boolean }[]
  total: number
}>()
const figure = defineModel<string>({ required: true })

const running = computed(() => Number(figure.value.replace(',', '.')) || 0)
const set = (value: number) => (figure.value = String(Math.max(0, value)))
const sum = computed(() => props.runs.reduce((links, { counted }) => links + (counted ?? 0), 0))
const complete = computed(() =>
  props.runs.every(({ counted, current }) => counted !== null && !(current && counted === 0))
)
const off = computed(() => sum.value - props.total)

// Away from any field: + or space a link, - one back, h a half.
useEventListener('keydown', (event) => {
  const target = event.target as HTMLElement
  if (event.ctrlKey || event.metaKey || event.altKey || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return
  const step = { '+': 1, '=': 1, '-': -1, h: 0.5 }[event.key]
  if (step === undefined) return
  event.preventDefault()
  set(running.value + step)
})
</script>

<template>
  <div class="border border-rule bg-paper p-2">
    <button
      type="button"
      class="grid min-h-28 w-full place-content-center rounded-edge bg-ink text-sheet active:opacity-80"
      data-testid="count-link"
      @click="set(running + 1)">
      <span class="figure text-center text-6xl leading-none" data-testid="count">{{ running }}</span>
      <span class="text-note">{{ LINK_COUNTER.touchForEachLink }}</span>
    </button>
    <div class="mt-1 grid grid-cols-3 gap-1">
      <button type="button" class="act" data-testid="count-back" @click="set(running - 1)">
        {{ LINK_COUNTER.oneBack }}
      </button>
      <button type="button" class="act" data-testid="count-half" @click="set(running + 0.5)">
        {{ LINK_COUNTER.half }}
      </button>
      <button type="button" class="act" data-testid="count-again" @click="figure = ''">
        {{ LINK_COUNTER.lostCountAgain }}
      </button>
    </div>
    <p class="mt-2 text-note">
      {{ LINK_COUNTER.theSheetHas }} <span class="figure">{{ expected }}</span>{{ LINK_COUNTER.halfWhenTheMarkStands }}
    </p>
    <p class="mt-1 flex flex-wrap items-baseline gap-x-2" data-testid="count-sum">
      <span v-for="run in runs" :key="run.name" class="text-note" :class="run.current ? 'font-bold' : 'text-faint'"
        >{{ run.name }} <span class="figure">{{ run.counted ?? '–' }}</span></span
      >
    </p>
    <p v-if="complete" class="text-note" :class="off === 0 ? '' : 'font-bold text-renew'" role="status">
      {{
        off === 0 ? LINK_COUNTER.togetherTheyCloseTheLoop(sum) : LINK_COUNTER.togetherButTheChainHas(sum, total, off)
      }}
    </p>
  </div>
</template>

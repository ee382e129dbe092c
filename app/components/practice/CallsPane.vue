<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { CALLS_PANE, COMMON } from '../../../words/en'
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { computed } from 'vue'
import { assess, ownPath, spares } from '../../../core/paths'
import type { Call } from '../../../core/calls'
import { jobOfStand } from '../../../core/views/practice'
import { useOpenPractice } from '../../stores/practice'
import { CALL_WORDS, money, partName } from '../../words'
import CallMark from '../parts/CallMark.vue'
import { minutesWords } from './words'

/** A call for every part, and what goes on the bill. */
const practice = useOpenPractice()
const emit = defineEmits<{ done: [] }>()
defineProps<{ busy: boolean }>()

const CALLS = Object.keys(CALL_WORDS) as Call[]
const sheet = computed(() => practice.engine.drive)
const parts = computed(() => {
  const { chains, rails, tensioners, sprockets, phasers } = sheet.value
  return [
    ...[...chains, ...rails, ...tensioners, ...sprockets, ...phasers].map(({ id }) => id),
    ...(phasers.length > 0 ? ['oil'] : []),
    'engine'
  ]
})
const sold = computed(() => new Set(spares(sheet.value).map(({ fits }) => fits)))
const open = computed(() => parts.value.filter((part) => !practice.stand.calls.has(part)).length)
const bill = computed(() => {
  const job = jobOfStand(practice.engine, practice.stand.readings)
  return sheet.value.parts?.length ? ownPath(job, assess(job), [...practice.stand.renew]) : null
})
const brought = computed(
  () => bill.value?.brought.map((part) => midSentence(partName(sheet.value, part))).join(', ') ?? ''
)
const toggle = (part: string) => practice.put({ type: 'renew', part, on: !practice.stand.renew.has(part) })
</script>

<template>
  <section class="p-4" :aria-label="CALLS_PANE.calls">
    <h2 class="text-lg font-bold">{{ CALLS_PANE.whatHappensToEachPart }}</h2>
    <p class="text-body text-faint">{{ CALLS_PANE.theEngineItselfStopWhile }}</p>
    <RadioGroup
      v-for="part in parts"
      :key="part"
      :model-value="practice.stand.calls.get(part) ?? ''"
      as="div"
      class="border-b border-rule/60 py-2"
      @update:model-value="(to: Call) => practice.call(part, to)">
      <div class="flex items-center justify-between gap-2">
        <RadioGroupLabel class="font-bold">{{ partName(sheet, part) }}</RadioGroupLabel>
        <button
          v-if="sold.has(part)"
          type="button"
          class="act-bare text-note"
          :aria-pressed="practice.stand.renew.has(part)"
          :data-testid="`renew-${part}`"
          @click="toggle(part)">
          {{ practice.stand.renew.has(part) ? CALLS_PANE.onTheBill : CALLS_PANE.notOnTheBill }}
        </button>
      </div>
      <div class="mt-1 flex gap-1">
        <RadioGroupOption v-for="call in CALLS" :key="call" v-slot="{ checked }" :value="call" as="template">
          <button
            type="button"
            class="act flex min-w-0 flex-1 flex-col items-center justify-center !px-0 py-1 text-mark leading-tight"
            :class="checked ? 'border-2 !border-ink bg-paper' : ''"
            :aria-label="`${partName(sheet, part)}: ${CALL_WORDS[call]}`"
            :data-testid="`call-${part}-${call}`">
            <CallMark :call="call" bare :size="20" aria-hidden="true" />{{ CALL_WORDS[call] }}
          </button>
        </RadioGroupOption>
      </div>
    </RadioGroup>
    <dl v-if="bill" class="mt-3 grid grid-cols-2 gap-y-1 text-body" data-testid="bill">
      <dt>{{ COMMON.hours }}</dt>
      <dd class="figure text-right">{{ minutesWords(60 * bill.cost.hours) }}</dd>
      <dt>{{ CALLS_PANE.partsAndSundries }}</dt>
      <dd class="figure text-right">
        {{ money(bill.cost.partsPrice + bill.cost.itemsPrice, sheet.money?.currency ?? '') }}
      </dd>
      <dt>{{ COMMON.priceNow }}</dt>
      <dd class="figure text-right">{{ money(bill.cost.now, sheet.money?.currency ?? '') }}</dd>
    </dl>
    <p v-if="brought" class="text-note">{{ CALLS_PANE.comesWithIt(brought) }}</p>
    <p v-if="open" class="mt-3 text-body">
      {{ CALLS_PANE.noCallYetThatCounts(open) }}
    </p>
    <button type="button" class="act-main mt-2 w-full" data-testid="finish" :disabled="busy" @click="emit('done')">
      {{ busy ? CALLS_PANE.judging : CALLS_PANE.doneShowTheTruth }}
    </button>
  </section>
</template>

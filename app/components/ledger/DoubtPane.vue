<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { DOUBT, OWN_PRIORS, UNTOLD } from '../../../words/en'
import { computed } from 'vue'
import type { DoubtPart, NextReading } from '../../../core/estimate'
import { NINETY } from '../../../core/math'
import type { Assessment } from '../../../core/paths'
import { compileSheet, type DriveSheet } from '../../../core/sheet'
import { fixDigits, KIND_NAMES, partName } from '../../words'
import { useOpenJob } from '../../stores/job'
import ModalSheet from '../parts/ModalSheet.vue'

/** What a figure's doubt is made of, and what would shrink it most for its minutes. */
const props = defineProps<{
  sheet: DriveSheet
  assessment: Assessment
  name: string
  chain: string
  made: readonly DoubtPart[]
  half: string
  unit: '%' | '°'
}>()

const open = defineModel<boolean>('open', { required: true })
const digits = computed(() => (props.unit === '%' ? 2 : 1))
const shown = (sd: number) => fixDigits(NINETY * sd * (props.unit === '%' ? 100 : 1), digits.value)
const nameOf = (id: string) => (compileSheet(props.sheet).nameOf(id) ? midSentence(partName(props.sheet, id)) : id)

function causeWords({ cause, of }: DoubtPart): string {
  const words = DOUBT.causes[cause]
  return typeof words === 'string' ? words : words(nameOf(of))
}

/** Of what can be read or asked, what narrows the chain's stretch most per minute. */
const best = computed(() =>
  props.assessment.next
    .filter(({ chain, narrows: { from, to } }) => chain === props.chain && to < 0.98 * from)
    .map((one) => ({ one, rate: (one.narrows.from - one.narrows.to) / one.minutes }))
    .sort((a, b) => b.rate - a.rate)
    .slice(0, 2)
    .map(({ one }) => one)
)
const halfOf = (sd: number) => fixDigits(NINETY * 100 * sd, 2)
function whatWords({ kind, target }: NextReading): string {
  return kind === 'question' ? UNTOLD.ask[target as keyof typeof UNTOLD.ask] : `${KIND_NAMES[kind]}, ${nameOf(target)}`
}
/** Whether what is believed beforehand comes from the workshop's own engines, or others'. */
const { engines: taught = 0, others = 0 } = useOpenJob().file.priors ?? {}
const oneHand = computed(() => props.made.some(({ cause }) => cause === 'hand'))
</script>

<template>
  <ModalSheet :open="open" :title="DOUBT.title(name, half, unit)" width="max-w-lg" @close="open = false">
    <div data-testid="doubt-pane">
      <p class="label mt-1">{{ DOUBT.whatTheDoubtIsMadeOf }}</p>
      <ul class="text-note">
        <li v-for="part in made" :key="part.cause + part.of" class="border-t border-rule py-0.5">
          {{ DOUBT.ofWhich(shown(part.sd), causeWords(part)) }}
        </li>
        <li class="border-t border-rule py-0.5 text-faint">{{ DOUBT.theRestIsReading }}</li>
      </ul>
      <p class="label mt-2">{{ DOUBT.shrinksItMost }}</p>
      <ul class="text-note">
        <li v-for="one in best" :key="one.kind + one.target + (one.of ?? '')">
          {{ DOUBT.fromTo(whatWords(one), halfOf(one.narrows.from), halfOf(one.narrows.to), one.minutes) }}
        </li>
        <li v-if="oneHand">{{ DOUBT.anotherPerson }}</li>
        <li v-if="best.length === 0 && !oneHand">{{ DOUBT.nothingShrinksIt }}</li>
      </ul>
      <p v-if="taught > 0" class="mt-2 text-note text-faint">{{ OWN_PRIORS.judgedUnder(taught, others) }}</p>
    </div>
  </ModalSheet>
</template>

<script setup lang="ts">
import { findingWords, SIGHT_PANE } from '../../../words/en'
import { computed, ref, watch } from 'vue'
import { COUNTED_FINDINGS, type Reading, isSameThing, type Unread } from '../../../core/readings'
import type { Inspection } from '../../../core/views/practice'
import { accessTo } from '../../../core/paths'
import { partKindOf } from '../../../core/sheet'
import { useOpenPractice } from '../../stores/practice'
import { partName } from '../../words'
import { numberOf } from '../bench/draft'
import { askedUnit, askedWords, minutesWords } from './words'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/** The open inspection: what it costs, and, once looked, what was read of it. */
const { inspection } = defineProps<{ inspection: Inspection }>()
const practice = useOpenPractice()
const sheet = computed(() => practice.engine.drive)
const steps = computed(() =>
  accessTo(sheet.value.operations ?? [], inspection.operations).filter(({ id }) => !practice.stand.done.has(id))
)
const typed = ref<string[]>([])
const problem = ref('')
const pieces = ref(1)

/** What stands of this inspection, with its place among all readings. */
const entered = computed(() =>
  practice.stand.readings
    .map((entry, place) => ({ ...entry, place }))
    .filter(({ inspection: of }) => of === inspection.id)
)
const standing = (asked: Unread) => entered.value.find(({ reading }) => isSameThing(reading, asked))
const foundAt = (target: string, finding: string) =>
  entered.value.find(({ reading }) => reading.target === target && reading.finding === finding)
const words = (target: string, finding: string) => findingWords(partKindOf(sheet.value, target) ?? 'engine', finding)
const said = computed(() => entered.value.filter(({ reading }) => reading.kind === 'condition'))

const stands = computed(() =>
  inspection.reads
    .map((asked) => standing(asked)?.reading)
    .map((reading) => String(reading?.notches ?? reading?.value ?? ''))
)
watch(
  () => practice.chosen,
  () => {
    typed.value = [...stands.value]
    problem.value = ''
  },
  { immediate: true }
)
// A figure that was measured on the photo stands here, too; what is being typed beside it stays.
watch(stands, (now, before) =>
  now.forEach((figure, i) => {
    if (figure !== before[i]) typed.value[i] = figure
  })
)

function keep() {
  problem.value = ''
  inspection.reads.forEach((asked, i) => {
    const text = (typed.value[i] ?? '').trim()
    if (text === '') return
    const value = numberOf(text)
    if (value === null || (asked.notches !== undefined && !(Number.isInteger(value) && value >= 0)))
      problem.value = SIGHT_PANE.isNoWriteItLike(text, asked.notches !== undefined)
    else practice.read({ ...asked, ...(asked.notches === undefined ? { value } : { notches: value }) } as Reading)
  })
}

function toggle(target: string, finding: string) {
  const stands = foundAt(target, finding)
  if (stands) practice.takeBack(stands.place)
  else
    practice.read({
      kind: 'condition',
      target,
      finding,
      ...(COUNTED_FINDINGS.includes(finding) ? { count: pieces.value } : {})
    })
}
</script>

<template>
  <section class="space-y-3 p-4" :aria-label="practice.titleOf(inspection)">
    <h2 class="text-lg font-bold">{{ practice.titleOf(inspection) }}</h2>
    <template v-if="!practice.looked">
      <ul v-if="steps.length" class="text-body">
        <li v-for="step in steps" :key="step.id" class="flex justify-between border-b border-rule/60 py-1">
          <span>{{ step.name }}</span><span class="figure font-normal">{{ minutesWords(60 * step.hours) }}</span>
        </li>
      </ul>
      <p class="text-body">
        {{ SIGHT_PANE.ofItsOwn }} <span class="figure">{{ minutesWords(inspection.minutes) }}</span>{{
          steps.length ? SIGHT_PANE.whatComesOffStaysOff : '.'
        }}
      </p>
      <button type="button" class="act-main w-full" data-testid="look" @click="practice.look()">
        {{ SIGHT_PANE.look(minutesWords(practice.costOf(inspection))) }}
      </button>
    </template>
    <template v-else>
      <template v-if="inspection.kind === 'ask'">
        <p class="text-body text-faint">{{ SIGHT_PANE.whatIsSaidHeardAnd }}</p>
        <ul>
          <li v-for="{ reading, place } in said" :key="place" class="border-b border-rule/60 py-1">
            {{ words(reading.target ?? '', reading.finding ?? '') }}
          </li>
        </ul>
        <p v-if="said.length === 0">{{ SIGHT_PANE.noNoiseNowNoCode }}</p>
      </template>
      <form v-if="inspection.reads.length" class="space-y-2" @submit.prevent="keep">
        <Field
          v-for="(asked, i) in inspection.reads"
          :key="i"
          :label="standing(asked) ? SIGHT_PANE.stands(askedWords(sheet, asked)) : askedWords(sheet, asked)">
          <template #default="{ control }">
            <div class="flex items-center gap-2">
              <input
                v-model="typed[i]"
                v-bind="control"
                class="text-xl font-bold"
                inputmode="decimal"
                autocomplete="off"
                :data-testid="`figure-${i}`" />
              <span class="shrink-0 text-faint">{{ askedUnit(asked) }}</span>
            </div>
          </template>
        </Field>
        <FaultNote v-if="problem">{{ problem }}</FaultNote>
        <button type="submit" class="act-main w-full" data-testid="keep">{{ SIGHT_PANE.writeDown }}</button>
      </form>
      <div v-if="inspection.findings.length" role="group" :aria-label="SIGHT_PANE.whatYouSee">
        <p class="label">{{ SIGHT_PANE.whatYouSee }}</p>
        <div class="mt-1 flex flex-wrap gap-2">
          <button
            v-for="{ target, finding } in inspection.findings"
            :key="target + finding"
            type="button"
            class="act"
            :class="foundAt(target, finding) ? 'border-ink bg-ink !text-sheet' : ''"
            :aria-pressed="Boolean(foundAt(target, finding))"
            :data-testid="`finding-${finding}`"
            @click="toggle(target, finding)">
            {{ words(target, finding)
            }}<template v-if="foundAt(target, finding)?.reading.count"
              >, {{ foundAt(target, finding)?.reading.count }}</template
            >
          </button>
        </div>
        <Field
          v-if="inspection.findings.some(({ finding }) => COUNTED_FINDINGS.includes(finding))"
          v-model="pieces"
          :label="SIGHT_PANE.pieces"
          class="mt-2 w-24"
          type="number"
          min="1"
          max="20"
          data-testid="pieces" />
      </div>
      <button
        v-if="inspection.kind !== 'ask'"
        type="button"
        class="act-bare text-body"
        data-testid="look-again"
        @click="practice.look()">
        {{ SIGHT_PANE.lookAgain(minutesWords(inspection.minutes)) }}
      </button>
    </template>
    <p class="sr-only" role="status">
      {{ SIGHT_PANE.writtenDownOf(entered.length, partName(sheet, inspection.part)) }}
    </p>
  </section>
</template>

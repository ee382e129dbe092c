<script setup lang="ts">
import { EXPLANATIONS_PAGE, METHOD_WORDS, oddsWords, sayCauses, sayFit, sayMisread, sayOddsOf } from '../../../words/en'
import { computed } from 'vue'
import type { Ask, Explanation, Explanations } from '../../../core/estimate'
import { type Reading, READING_KINDS } from '../../../core/readings'
import type { StandingReading } from '../../../core/record'
import type { DriveSheet } from '../../../core/sheet'
import { useOpenJob } from '../../stores/job'
import { lengthWords } from '../../units'
import { kindWords, namesOf, partName, percent, readingTitle, readingWords } from '../../words'
import MissStrip from './MissStrip.vue'

/** Explanations as columns: what each reading should show, how the drive would stand, what parts them, the odds. */
const props = defineProps<{ sheet: DriveSheet; explanations: Explanations }>()
/** Place of the explanation that is drawn on the map. */
const shown = defineModel<number>({ required: true })

const job = useOpenJob()
const name = computed(() => namesOf(props.sheet))
const stories = computed(() => props.explanations.stories)

const titleOf = (reading: StandingReading) =>
  reading.kind === 'condition'
    ? kindWords(props.sheet, reading)
    : readingTitle(props.sheet, { kind: reading.kind, part: partOfReading(reading), target: reading })
const partOfReading = (reading: StandingReading) =>
  job.slots.find((slot) => job.readingsOf(slot).some(({ id }) => id === reading.id))?.part ?? ''

/** Readings that are known here, each with what every explanation would have it show. */
const rows = computed(() =>
  props.explanations.readings.flatMap((id, i) => {
    const reading = job.readingById(id)
    if (!reading) return []
    const cells = stories.value.map((story) => ({ ...story.shows[i]!, wrong: misreadBy(story, id) }))
    return [{ id, title: titleOf(reading), read: readingWords(reading), reading, cells }]
  })
)
function misreadBy({ causes }: Explanation, id: string) {
  return causes.find((cause) => cause.as === 'misread' && cause.of === id) ?? null
}
/** A reading's words with another value in it. */
function shownAs(reading: StandingReading, value: number): string {
  const { notches: _notches, links: _links, ...rest } = reading
  if (reading.kind === 'condition') return lengthWords(Math.max(0, value), 1)
  const digits = READING_KINDS[reading.kind].digits
  return readingWords({ ...rest, value: Number(value.toFixed(digits)) } as Reading)
}

const standing = computed(() => {
  const [first] = stories.value
  if (!first) return []
  const row = (title: string, key: string, words: (story: Explanation) => string) => ({
    key,
    title,
    cells: stories.value.map(words)
  })
  const part = (id: string) => partName(props.sheet, id)
  return [
    ...Object.keys(first.state.chains).map((id) =>
      row(EXPLANATIONS_PAGE.stretch(part(id)), id, ({ state }) => percent(state.chains[id] ?? 0))
    ),
    ...Object.keys(first.state.rails).map((id) =>
      row(EXPLANATIONS_PAGE.wear(part(id)), id, ({ state }) => lengthWords(state.rails[id] ?? 0, 1))
    ),
    ...Object.keys(first.state.pads).map((id) =>
      row(EXPLANATIONS_PAGE.pad(part(id)), id, ({ state }) => lengthWords(state.pads[id] ?? 0, 1))
    )
  ]
})

const asks = computed(() =>
  props.explanations.asks.map((ask, i) => ({
    ask,
    title: readingTitle(props.sheet, { kind: ask.kind, part: ask.target, target: { from: ask.from, to: ask.to } }),
    how: [METHOD_WORDS[ask.method as keyof typeof METHOD_WORDS] ?? '', EXPLANATIONS_PAGE.minutes(ask.minutes)]
      .filter(Boolean)
      .join(', '),
    cells: stories.value.map((story) => wouldWords(ask, story.would[i]!))
  }))
)
function wouldWords(ask: Ask, { value }: { value: number }): string {
  const { digits } = READING_KINDS[ask.kind]
  return readingWords({ kind: ask.kind, value: Number(value.toFixed(digits)) } as Reading)
}
/** The bench, at what would part them. */
const linkOf = ({ kind, target }: Ask) => `/jobs/${job.id}?read=${kind}:${encodeURIComponent(target)}`
const misreads = ({ causes }: Explanation) =>
  causes.flatMap((cause) => (cause.as === 'misread' ? (sayMisread(cause) ? [sayMisread(cause)] : []) : []))
</script>

<template>
  <div class="relative max-lg:overflow-x-auto">
    <table
      class="w-full min-w-[680px] table-fixed border-collapse text-left text-body leading-tight"
      data-testid="explanations">
      <caption class="sr-only">
        {{
          EXPLANATIONS_PAGE.title
        }}
      </caption>
      <thead>
        <tr class="align-bottom">
          <td class="w-[23%]" />
          <th scope="col" class="w-[10%] px-2 pb-2 text-note font-normal text-faint">{{ EXPLANATIONS_PAGE.read }}</th>
          <th v-for="(story, i) in stories" :key="i" scope="col" class="p-0 font-normal">
            <button
              type="button"
              class="flex h-full min-h-14 w-full flex-col justify-end border-b-4 px-2 py-1.5 text-left leading-tight"
              :class="i === shown ? 'border-brass bg-sheet' : 'border-rule'"
              :aria-pressed="i === shown"
              data-testid="story"
              @click="shown = i">
              <span v-if="story.picked" class="label">{{ EXPLANATIONS_PAGE.picked }}</span>
              <b>{{ sayCauses(story.causes, name) }}</b>
              <span v-for="way in misreads(story)" :key="way" class="text-note text-faint">{{ way }}</span>
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id" class="border-b border-rule" data-testid="explained-reading">
          <th scope="row" class="py-1 pr-2 text-note font-normal leading-tight">{{ row.title }}</th>
          <td class="figure px-2 py-1">{{ row.read }}</td>
          <td v-for="(cell, i) in row.cells" :key="i" class="px-2 py-1" :class="i === shown ? 'bg-sheet' : ''">
            <span class="figure" :class="cell.wrong ? 'text-faint' : Math.abs(cell.misses) < 3.5 ? '' : 'text-renew'">{{
              shownAs(row.reading, cell.value)
            }}</span>
            <span v-if="cell.wrong" class="block text-note text-faint">{{ EXPLANATIONS_PAGE.misread }}</span>
            <template v-else>
              <MissStrip class="mt-0.5 block" :misses="cell.misses" />
              <span class="sr-only">{{ sayFit(cell.misses) }}</span>
            </template>
          </td>
        </tr>
      </tbody>
      <tbody>
        <tr>
          <th :colspan="stories.length + 2" scope="rowgroup" class="pt-3 pb-0.5 font-normal">
            <span class="label">{{ EXPLANATIONS_PAGE.wouldStand }}</span>
          </th>
        </tr>
        <tr v-for="row in standing" :key="row.key" class="border-b border-rule">
          <th scope="row" colspan="2" class="py-0.5 pr-2 text-note font-normal">{{ row.title }}</th>
          <td v-for="(cell, i) in row.cells" :key="i" class="figure px-2 py-0.5" :class="i === shown ? 'bg-sheet' : ''">
            {{ cell }}
          </td>
        </tr>
      </tbody>
      <tbody v-if="asks.length">
        <tr>
          <th :colspan="stories.length + 2" scope="rowgroup" class="pt-3 pb-0.5 font-normal">
            <span class="label">{{ EXPLANATIONS_PAGE.notRead }}</span>
          </th>
        </tr>
        <tr
          v-for="(row, i) in asks"
          :key="row.title"
          class="border-b border-rule"
          :data-testid="i === 0 ? 'parts-most' : undefined">
          <th
            scope="row"
            colspan="2"
            class="py-1 pr-2 text-note font-normal leading-tight"
            :class="i === 0 ? 'border-l-4 border-brass pl-2' : ''">
            <NuxtLink :to="linkOf(row.ask)" class="underline">{{ row.title }}</NuxtLink>
            <span class="block text-note text-faint"
              >{{ row.how }}<b v-if="i === 0" class="text-brass">, {{ EXPLANATIONS_PAGE.partsMost }}</b></span
            >
          </th>
          <td v-for="(cell, k) in row.cells" :key="k" class="figure px-2 py-1" :class="k === shown ? 'bg-sheet' : ''">
            {{ cell }}
          </td>
        </tr>
      </tbody>
      <tfoot class="sticky bottom-0 border-t border-rule bg-paper">
        <tr class="align-top">
          <th scope="row" colspan="2" class="pt-2 font-normal">{{ EXPLANATIONS_PAGE.odds }}</th>
          <td v-for="(story, i) in stories" :key="i" class="px-2 pt-2" :class="i === shown ? 'bg-sheet' : ''">
            <b class="text-lg" data-testid="story-odds">{{ sayOddsOf(story) }}</b>
            <span v-if="story.more >= 0.01" class="block text-note text-faint">{{
              EXPLANATIONS_PAGE.ofWhich(oddsWords(story.more))
            }}</span>
          </td>
        </tr>
      </tfoot>
    </table>
  </div>
</template>

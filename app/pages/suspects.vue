<script setup lang="ts">
import { anyFindingWords, SUSPECT_TABLE, SUSPECT_WORDS, upperFirst } from '../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import { ALL_FINDINGS } from '../../core/readings'
import {
  BEARINGS,
  NO_OWN_SUSPECTS,
  type OwnSuspects,
  SUSPECT_IDS,
  SUSPECTS,
  type SuspectId
} from '../../core/views/suspects'
import { numberOf } from '../components/bench/draft'
import FaultNote from '../components/parts/FaultNote.vue'
import Field from '../components/parts/Field.vue'
import PageFrame from '../components/parts/PageFrame.vue'
import { useAttempt } from '../composables/useAttempt'
import { useMe } from '../composables/useMe'
import { mayAs } from '../signedIn'
import { oddsWords } from '../words'

/** The table that suspects are weighed by: what ships, and what this workshop holds otherwise. */
const { data, error, refresh } = await useFetch<OwnSuspects>('/api/suspects', { deep: false })
useHead({ title: SUSPECT_TABLE.title })
const me = useMe()
const mayChange = computed(() => !me.value || mayAs(me.value, 'foreman'))

const chosen = ref<SuspectId>(SUSPECT_IDS[0]!)
const own = computed(() => data.value ?? NO_OWN_SUSPECTS)
const { problem, attempt } = useAttempt()
const saved = ref(false)
const wrong = ref('')

/** A finding as it stands in the table: `oil-pressure-idle:low`, `cylinders:all-low`. */
function words(finding: string): string {
  const [name = finding, outcome] = finding.split(':')
  const named = name === 'cylinders' ? SUSPECT_TABLE.cylinders : anyFindingWords(name)
  return `${upperFirst(named)}${outcome ? `: ${SUSPECT_TABLE.outcomes[outcome] ?? outcome}` : ''}`
}

/** Of the chosen suspect each finding once, with the factors that ship and the workshop's own. */
const rows = computed(() => {
  const shipped = BEARINGS.filter(({ suspect }) => suspect === chosen.value)
  const mine = own.value.bearings.filter(({ suspect }) => suspect === chosen.value)
  return [...new Set([...mine, ...shipped].map(({ finding }) => finding))]
    .map((finding) => ({
      finding,
      shipped: shipped
        .filter((b) => b.finding === finding)
        .map(({ factor, on, from, upTo, fades }) => ({
          factor,
          when: SUSPECT_TABLE.when(
            on ? (SUSPECT_TABLE.kinds[on] ?? null) : null,
            from ?? null,
            upTo ?? null,
            fades ?? false
          )
        })),
      mine: mine.find((b) => b.finding === finding)?.factor ?? null
    }))
    .sort((a, b) => weight(b) - weight(a) || words(a.finding).localeCompare(words(b.finding)))
})
/** How much a row speaks for it. */
const weight = ({ shipped, mine }: { shipped: readonly { factor: number }[]; mine: number | null }) =>
  Math.max(...shipped.map(({ factor }) => factor), mine ?? 0)
const prior = computed(() => own.value.priors.find(({ suspect }) => suspect === chosen.value)?.prior ?? null)
const others = computed(() => ALL_FINDINGS.filter((finding) => !rows.value.some((row) => row.finding === finding)))

/** What was typed: null for nothing, which is what ships; undefined, and said, for no number in its bounds. */
function typedNumber(typed: string, [least, most]: readonly [number, number], says: string): number | null | undefined {
  const value = typed.trim() === '' ? null : (numberOf(typed) ?? NaN)
  const good = value === null || (value >= least && value <= most)
  wrong.value = good ? '' : says
  return good ? value : undefined
}

function setFactor(finding: string, typed: string) {
  const suspect = chosen.value
  const factor = typedNumber(typed, [0.01, 100], SUSPECT_TABLE.writeAFactor)
  if (factor === undefined) return
  const rest = own.value.bearings.filter((b) => b.finding !== finding || b.suspect !== suspect)
  void save({ ...own.value, bearings: [...rest, ...(factor === null ? [] : [{ finding, suspect, factor }])] })
}

function setPrior(typed: string) {
  const suspect = chosen.value
  const per = typedNumber(typed, [0, 100], SUSPECT_TABLE.writeAShare)
  if (per === undefined) return
  const rest = own.value.priors.filter((p) => p.suspect !== suspect)
  void save({ ...own.value, priors: [...rest, ...(per === null ? [] : [{ suspect, prior: per / 100 }])] })
}

async function save(next: OwnSuspects) {
  saved.value = await attempt(async () => {
    data.value = await $fetch<OwnSuspects>('/api/suspects', { method: 'POST', body: { own: next, seen: own.value } })
  })
  // Somebody else's change is shown, so that it is not made again over theirs.
  if (!saved.value) await refresh()
}
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <h1 class="text-2xl font-bold">{{ SUSPECT_TABLE.heading }}</h1>
    <p class="mt-1 max-w-3xl">{{ SUSPECT_TABLE.says }}</p>
    <div class="mt-4 grid grid-cols-[300px_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
      <nav :aria-label="SUSPECT_TABLE.suspects">
        <ul class="border-t border-rule">
          <li v-for="id in SUSPECT_IDS" :key="id" class="border-b border-rule">
            <button
              type="button"
              class="flex min-h-11 w-full items-center justify-between gap-2 px-2 text-left"
              :class="id === chosen ? 'border-l-4 border-brass bg-sheet font-bold' : ''"
              :aria-pressed="id === chosen"
              @click="chosen = id">
              <span>{{ SUSPECT_WORDS[id].name }}</span>
              <span class="figure font-normal whitespace-nowrap text-faint">{{
                oddsWords(own.priors.find((p) => p.suspect === id)?.prior ?? SUSPECTS[id].prior)
              }}</span>
            </button>
          </li>
        </ul>
      </nav>
      <section :aria-label="SUSPECT_WORDS[chosen].name" data-testid="bearings">
        <h2 class="text-xl font-bold">{{ SUSPECT_WORDS[chosen].name }}</h2>
        <p class="text-note text-faint">{{ SUSPECT_TABLE.lookAt(SUSPECT_WORDS[chosen].look) }}</p>
        <Field
          class="mt-2 max-w-xs"
          figure
          inputmode="decimal"
          :model-value="prior === null ? '' : String(Number((100 * prior).toFixed(2)))"
          :label="SUSPECT_TABLE.share(oddsWords(SUSPECTS[chosen].prior))"
          :disabled="!mayChange"
          @change="setPrior(($event.target as HTMLInputElement).value)" />
        <table class="mt-4 w-full">
          <caption class="sr-only">
            {{
              SUSPECT_TABLE.answers
            }}
          </caption>
          <thead>
            <tr class="text-left text-note text-faint">
              <th class="py-1 font-normal">{{ SUSPECT_TABLE.answer }}</th>
              <th class="font-normal">{{ SUSPECT_TABLE.ships }}</th>
              <th class="font-normal">{{ SUSPECT_TABLE.ours }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="`${chosen} ${row.finding}`" class="border-t border-rule">
              <td class="py-1 pr-3">{{ words(row.finding) }}</td>
              <td class="pr-3">
                <span v-for="(one, i) in row.shipped" :key="i" class="block"
                  ><span class="figure">× {{ one.factor }}</span
                  ><span v-if="one.when" class="ml-2 text-note text-faint">{{ one.when }}</span></span
                >
              </td>
              <td class="w-28">
                <input
                  class="figure field w-24"
                  inputmode="decimal"
                  maxlength="8"
                  :value="row.mine ?? ''"
                  :aria-label="SUSPECT_TABLE.oursOf(words(row.finding))"
                  :disabled="!mayChange"
                  @change="setFactor(row.finding, ($event.target as HTMLInputElement).value)" />
              </td>
            </tr>
          </tbody>
        </table>
        <div v-if="mayChange" class="mt-3 flex flex-wrap items-end gap-2">
          <label class="label block"
            >{{ SUSPECT_TABLE.another }}
            <select class="field mt-1" @change="setFactor(($event.target as HTMLSelectElement).value, '2')">
              <option value="">{{ SUSPECT_TABLE.choose }}</option>
              <option v-for="finding in others" :key="finding" :value="finding">{{ words(finding) }}</option>
            </select></label
          >
          <button
            v-if="own.bearings.length + own.priors.length > 0"
            type="button"
            class="act"
            @click="save(NO_OWN_SUSPECTS)">
            {{ SUSPECT_TABLE.asItShips }}
          </button>
        </div>
        <FaultNote v-if="wrong || problem" class="mt-2">{{ wrong || problem }}</FaultNote>
        <p v-else-if="saved" class="mt-2" role="status">{{ SUSPECT_TABLE.saved }}</p>
      </section>
    </div>
  </PageFrame>
</template>

<script setup lang="ts">
import { midSentence } from '../../../../words/spoken'
import { COMMON, moneyExactly, PATHS_PAGE, sayDifference, sayUpTo } from '../../../../words/en'
import { computed, ref, shallowRef, watch } from 'vue'
import { isReading } from '../../../../core/estimate'
import type { OwnPath, PartialWay, Path, Paths } from '../../../../core/paths'
import { useCurrency } from '../../../composables/useCurrency'
import { useWorkshop } from '../../../composables/useWorkshop'
import FrontChart from '../../../components/paths/FrontChart.vue'
import PathBuilder from '../../../components/paths/PathBuilder.vue'
import PricingSheet from '../../../components/paths/PricingSheet.vue'
import { later } from '../../../later'
import JobBar from '../../../components/verdict/JobBar.vue'
import { usePlanner } from '../../../composables/usePlanner'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { fixDigits, KIND_NAMES, money, namesOf, oddsWords, partName, SCHOOL_WORDS, usageWords } from '../../../words'
import FigureTable from '../../../components/parts/FigureTable.vue'

const OtherWorkPanel = later(() => import('../../../components/paths/OtherWorkPanel.vue'))
const PartialWays = later(() => import('../../../components/paths/PartialWays.vue'))

/** Repair paths side by side: the schools', the cheapest expected and the front between, and one built by hand. */
const job = useOpenJob()
const bench = useBench()
const planner = usePlanner()
const paths = shallowRef<Paths | null>(null)
const own = shallowRef<OwnPath | null>(null)
const partial = shallowRef<PartialWay[]>([])
const state = ref<'weighing' | 'ready' | 'none' | 'off' | 'failed'>('weighing')
const done = ref(0)
const chosen = ref<string[]>([])
const touched = ref(false)
let asked = 0

const sheet = computed(() => job.job.sheet)
const workshop = useWorkshop()
const currency = useCurrency()
/** With the workshop's tax, by the parts renewed. */
const taxed = shallowRef<Record<string, string>>({})
const same = (a: readonly string[], b: readonly string[]) => a.length === b.length && a.every((id) => b.includes(id))
const advised = computed(() => job.record.path?.renew ?? null)
const names = (path: Path) =>
  path.schools.map((school) => SCHOOL_WORDS[school].name).join(', ') || PATHS_PAGE.onTheFront
const waysIn = (id: string | null) => (id ? sheet.value.waysIn?.find((way) => way.id === id)?.name : null)

/** What a few minutes more would be worth before anything is ordered. */
const beforeDeciding = computed(() => {
  const { next = [], decision } = job.assessment ?? {}
  const first = next.find(isReading)
  if (!decision) return ''
  if (decision.enough || !first) return PATHS_PAGE.enough
  const what = midSentence(`${KIND_NAMES[first.kind]}, ${partName(sheet.value, first.target)}`)
  return PATHS_PAGE.nextMinutes(what, first.minutes, money(first.worth ?? 0, decision.currency ?? ''))
})

async function weigh() {
  if (!job.file || !job.assessment) return
  const ask = ++asked
  state.value = 'weighing'
  done.value = 0
  try {
    const found = await planner.paths(job.file, job.assessment, (part) => {
      if (ask === asked) done.value = part
    })
    if (ask !== asked) return
    partial.value = found ? await planner.partial(job.file, job.assessment) : []
    if (ask !== asked) return
    paths.value = found
    await reckonTax(found)
    state.value = found ? 'ready' : 'none'
    if (found && !touched.value)
      chosen.value = [...(advised.value ?? found.paths.find(({ schools }) => schools.length > 0)?.renew ?? [])]
    await score()
  } catch {
    if (ask === asked) state.value = 'failed'
  }
}

async function reckonTax(found: Paths | null) {
  const { tax } = workshop.value ?? {}
  taxed.value =
    found && tax?.rates.length && job.file && job.assessment
      ? await planner.taxed(
          job.file,
          job.assessment,
          found.paths.map(({ renew }) => renew),
          { tax, currency: currency.value }
        )
      : {}
}

async function score() {
  if (!paths.value || !job.file || !job.assessment) return
  own.value = await planner.own(job.file, job.assessment, chosen.value)
}

function callOff() {
  asked++
  planner.callOff()
  state.value = 'off'
}

function build(renew: string[]) {
  touched.value = true
  chosen.value = renew
  void score()
}

function advise() {
  if (own.value) job.put({ type: 'path', renew: own.value.renew })
}
watch(
  () => [job.assessment, job.file?.pricing],
  () => void weigh(),
  { immediate: import.meta.client }
)
</script>

<template>
  <div>
    <JobBar :says="PATHS_PAGE.paths(usageWords(job.job.usage))" />
    <main class="mx-auto max-w-[1240px] px-6 py-5 max-md:px-2">
      <p v-if="state === 'none'" class="bg-sheet p-6">
        {{ PATHS_PAGE.theSheetHasNoParts }}
        <NuxtLink :to="`/engines/${sheet.id}/edit`" class="underline decoration-brass underline-offset-2">{{
          PATHS_PAGE.addThemToTheSheet
        }}</NuxtLink>{{ PATHS_PAGE.andMoveTheJobTo }}
      </p>
      <p v-else-if="state === 'failed'" class="bg-sheet p-6" role="alert">
        {{ PATHS_PAGE.thePathsCouldNotBe }}
        <button type="button" class="act" @click="weigh">{{ PATHS_PAGE.tryAgain }}</button>
      </p>
      <p v-else-if="state === 'off'" class="bg-sheet p-6">
        {{ PATHS_PAGE.calledOff }}
        <button type="button" class="act" @click="weigh">{{ PATHS_PAGE.weighThePaths }}</button>
      </p>
      <p v-else-if="state === 'weighing' && !paths" class="flex items-center gap-4 bg-sheet p-6" role="status">
        {{ PATHS_PAGE.weighingEveryAllowedSetOf }} <span class="figure">{{ Math.round(100 * done) }} %</span>
        <button type="button" class="act" @click="callOff">{{ PATHS_PAGE.callOff }}</button>
      </p>
      <template v-if="paths">
        <div class="grid grid-cols-[minmax(0,1fr)_400px] gap-6 max-lg:grid-cols-1">
          <section :aria-label="PATHS_PAGE.pathsSideBySide">
            <p v-if="beforeDeciding" class="mb-2" data-testid="before-deciding">{{ beforeDeciding }}</p>
            <FigureTable
              class="bg-sheet [&_:is(td,th):first-child]:pl-3"
              data-testid="paths"
              :caption="PATHS_PAGE.repairPathsByPriceNow"
              :heads="[
                PATHS_PAGE.path,
                PATHS_PAGE.renews,
                COMMON.hours,
                COMMON.priceNow,
                PATHS_PAGE.comesBack,
                PATHS_PAGE.expected
              ]"
              :right-from="2">
              <tr
                v-for="(path, i) in paths.paths"
                :key="path.renew.join()"
                class="align-top"
                :class="same(path.renew, own?.renew ?? []) ? 'outline-2 -outline-offset-2 outline-brass' : ''">
                <td>
                  <button type="button" class="min-h-11 text-left" @click="build([...path.renew])">
                    <span class="figure">{{ i + 1 }}</span> <b>{{ names(path) }}</b>
                  </button>
                  <p v-if="same(path.renew, advised ?? ['-'])" class="text-note font-bold">{{ PATHS_PAGE.advised }}</p>
                </td>
                <td class="text-body">
                  {{ path.renew.map((id) => partName(sheet, id)).join(', ') || PATHS_PAGE.nothing }}
                  <p v-if="path.differs" class="text-note text-faint">
                    {{ sayDifference(path.differs, namesOf(sheet)) }}
                  </p>
                </td>
                <td class="figure text-right font-normal">{{ fixDigits(path.cost.hours, 1) }}</td>
                <td class="figure text-right whitespace-nowrap">
                  {{ money(path.cost.now, currency) }}
                  <span
                    v-if="path.undecided.parts.length"
                    class="block text-note font-normal whitespace-normal"
                    data-testid="at-most"
                    >{{ sayUpTo(path.undecided, currency, namesOf(sheet)) }}</span
                  >
                  <span v-if="taxed[path.renew.join()]" class="block text-note font-normal" data-testid="with-tax">{{
                    PATHS_PAGE.withTax(moneyExactly(taxed[path.renew.join()] ?? '', currency))
                  }}</span>
                </td>
                <td class="figure text-right font-normal">{{ oddsWords(path.cost.comeBack) }}</td>
                <td class="figure text-right font-normal whitespace-nowrap">
                  {{ money(path.cost.expected, currency) }}
                </td>
              </tr>
            </FigureTable>
            <p class="mt-2 text-note text-faint">
              {{
                PATHS_PAGE.oddsThatTheCoverComes(
                  usageWords({ value: paths.assumptions.horizon, unit: job.job.usage.unit })
                )
              }}
            </p>
            <p v-if="paths.unpriced.length" class="mt-2 border-l-4 border-brass bg-sheet p-2">
              {{ PATHS_PAGE.inNoPriceTheSheet(paths.unpriced.map((id) => partName(sheet, id)).join(', ')) }}
            </p>
            <p v-if="paths.leftOut.length" class="mt-2 text-note">
              {{ PATHS_PAGE.notWeighedBeyondFifteenParts(paths.leftOut.map((id) => partName(sheet, id)).join(', ')) }}
            </p>
            <FrontChart
              class="mt-4"
              :paths="paths.paths"
              :chosen="own?.renew ?? []"
              :currency="currency"
              @choose="build([...$event])" />
          </section>
          <div class="space-y-4">
            <PathBuilder
              v-if="own"
              :sheet="sheet"
              :own="own"
              :chosen="chosen"
              :kept="paths.kept"
              :currency="currency"
              :way="waysIn(own.way) ?? null"
              @change="build" />
            <p v-if="job.record.choice" class="border-l-4 border-brass bg-sheet p-3" data-testid="choice">
              <b>{{ PATHS_PAGE.chose(job.record.choice.by) }}</b>
              {{
                PATHS_PAGE.at(
                  job.record.choice.renew.map((id) => midSentence(partName(sheet, id))).join(', '),
                  money(job.record.choice.price, currency)
                )
              }}
            </p>
            <button
              v-if="own && bench.by"
              type="button"
              class="act-main w-full"
              :disabled="same(advised ?? ['-'], own.renew)"
              data-testid="advise"
              @click="advise">
              {{ same(advised ?? ['-'], own.renew) ? PATHS_PAGE.thisIsWhatWeAdvise : PATHS_PAGE.adviseThisPath }}
            </button>
          </div>
        </div>
        <ClientOnly
          ><PartialWays class="mt-6" :ways="partial" :currency="currency" /><OtherWorkPanel
            v-if="own"
            class="mt-6"
            :operations="own.operations"
            :hour-rate="paths.assumptions.hourRate"
            :currency="currency"
        /></ClientOnly>
        <ClientOnly><PricingSheet :paths="paths" class="mt-6" /></ClientOnly>
      </template>
    </main>
  </div>
</template>

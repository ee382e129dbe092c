<script setup lang="ts">
import { COMMON, NEW_ENGINE, gapWords, namesOf, sayFault } from '../../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import { chainModel, sheetGaps } from '../../../core/drive'
import {
  FIRST_ANSWERS,
  FIRST_CHAIN,
  isMissing,
  sheetFromAnswers,
  type TypedAnswers,
  upgradeAnswers,
  withoutChain
} from '../../components/engine/answers'
import CountedChain from '../../components/engine/CountedChain.vue'
import TurnPicture from '../../components/engine/TurnPicture.vue'
import Field from '../../components/parts/Field.vue'
import ChoiceRow from '../../components/parts/ChoiceRow.vue'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { fixDigits } from '../../words'
import FaultNote from '../../components/parts/FaultNote.vue'
import Panel from '../../components/parts/Panel.vue'
import FigureTable from '../../components/parts/FigureTable.vue'
import PageFrame from '../../components/parts/PageFrame.vue'

const NUMBER = { figure: true, inputmode: 'decimal', maxlength: '120' } as const

/** Bring your own engine: a counted sheet from what can be counted and looked up, usable at once, refined later. */
const bench = useBench()
const typed = useLocalStorage<TypedAnswers>('umbrette.sheet-new', structuredClone(FIRST_ANSWERS), {
  mergeDefaults: (kept) => upgradeAnswers(kept)
})
const wanted = ref(false)
const problem = ref('')
const busy = ref(false)
const result = computed(() => sheetFromAnswers(typed.value))
/** A missing answer is named once someone wants to keep the sheet; a wrong one at once. */
const fault = (field: string) => {
  const found = result.value.faults.get(field)
  return found && (wanted.value || !isMissing(found)) ? sayFault(found) : undefined
}
const turning = computed({ get: () => typed.value.rotation, set: (value) => (typed.value.rotation = value) })
const meets = computed({
  get: () => (typed.value.interference ? 'yes' : 'no'),
  set: (value) => (typed.value.interference = value === 'yes')
})
const banked = computed(() => ['V', 'flat'].includes(typed.value.layout))
const add = () =>
  typed.value.chains.push({
    ...structuredClone(FIRST_CHAIN),
    driver: driversFor(typed.value.chains.length).at(-1)!.value,
    bank: typed.value.chains.length % 2 === 0 ? '1' : '2'
  })
const remove = (index: number) => (typed.value.chains = withoutChain(typed.value.chains, index))

/** Shafts that may drive a chain: the crank, and every sprocket of the chains before it. */
const driversFor = (index: number) => [
  { value: 'crank', label: NEW_ENGINE.byTheCrank },
  ...typed.value.chains
    .slice(0, index)
    .flatMap(({ driven }, i) =>
      driven.map(({ name }, k) => ({ value: `${i}.${k}`, label: NEW_ENGINE.byShaftOf(name || k + 1, i + 1) }))
    )
]

/** What the counts come to, as it is said where the engine is kept. */
const sums = computed(() =>
  typed.value.chains
    .map(({ counts, links }, i) => ({
      words: NEW_ENGINE.countsAt(
        i === 0 ? NEW_ENGINE.theChain : NEW_ENGINE.chainNumber(i + 1),
        counts.reduce((sum, run) => sum + (Number(run) || 0), 0),
        links || '?'
      ),
      said: counts.some((run) => run.trim() !== ''),
      right: counts.reduce((sum, run) => sum + (Number(run) || 0), 0) === Number(links)
    }))
    .filter(({ said }) => said)
)

/** What the sheet says already: how the drive stands at its limit. */
const shows = computed(() => {
  const { sheet } = result.value
  if (!sheet) return []
  return sheet.chains.flatMap((chain, k) => {
    const model = chainModel(sheet, chain)
    return [0, 0.5, 1].map((part) => {
      const elongation = (part * sheet.limits[k]!.value) / 100
      const { extension, lag } = model.readout({ elongation, wear: model.rails.map(() => 0), padWear: 0 })
      return { key: `${chain.id} ${part}`, chain: chain.name, percent: 100 * elongation, extension, lag }
    })
  })
})
const gaps = computed(() => {
  const { sheet } = result.value
  return sheet ? sheetGaps(sheet).map((gap) => gapWords(gap, namesOf(sheet))) : []
})
useHead({ title: NEW_ENGINE.bringYourOwnEngineUmbrette })

async function keep() {
  wanted.value = true
  problem.value = bench.by ? '' : NEW_ENGINE.chooseWhoIsAtThe
  if (problem.value || !result.value.sheet) return
  busy.value = true
  try {
    const { id } = await $fetch<{ id: string }>('/api/sheets', {
      method: 'POST',
      body: { sheet: result.value.sheet, basedOn: 0, by: bench.by, note: NEW_ENGINE.fromCounts }
    })
    typed.value = structuredClone(FIRST_ANSWERS)
    await navigateTo(`/engines/${id}`)
  } catch (error) {
    problem.value = shownProblem(error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <PageFrame>
    <h1 class="text-2xl font-bold">{{ NEW_ENGINE.bringYourOwnEngine }}</h1>
    <p class="mb-4 max-w-3xl">
      {{ NEW_ENGINE.whatCanBeCountedAt }}
    </p>
    <ClientOnly>
      <form class="grid grid-cols-[minmax(0,1fr)_340px] gap-6 max-lg:grid-cols-1" novalidate @submit.prevent="keep">
        <div class="space-y-4">
          <fieldset class="grid grid-cols-4 gap-3 bg-sheet p-4 max-md:grid-cols-2">
            <legend class="label float-left col-span-full mb-1 font-bold text-ink">{{ NEW_ENGINE.theEngine }}</legend>
            <Field
              v-model="typed.name"
              class="col-span-2"
              :label="COMMON.name"
              :fault="fault('name')"
              maxlength="120" />
            <Field
              v-model="typed.cylinders"
              v-bind="NUMBER"
              :label="NEW_ENGINE.cylinders"
              :fault="fault('cylinders')" />
            <Field v-model="typed.fuel" :label="NEW_ENGINE.fuel" :fault="fault('fuel')" maxlength="120" />
            <ChoiceRow
              v-model="turning"
              class="col-span-2"
              :label="NEW_ENGINE.crankTurnsSeenFromThe"
              :options="[
                { value: 'clockwise', label: NEW_ENGINE.clockwise },
                { value: 'anticlockwise', label: NEW_ENGINE.anticlockwise }
              ]">
              <template #picture="{ value }"><TurnPicture :rotation="value" /></template>
            </ChoiceRow>
            <ChoiceRow
              v-model="typed.layout"
              class="col-span-2"
              :label="NEW_ENGINE.layout"
              :options="NEW_ENGINE.layouts" />
            <ChoiceRow
              v-model="meets"
              class="col-span-2"
              :label="NEW_ENGINE.canValvesMeetPistons"
              :options="[
                { value: 'yes', label: NEW_ENGINE.yesOrNotKnown },
                { value: 'no', label: NEW_ENGINE.no }
              ]" />
          </fieldset>
          <CountedChain
            v-for="(_, i) in typed.chains"
            :key="i"
            v-model="typed.chains[i]!"
            :index="i"
            :drivers="driversFor(i)"
            :banked="banked"
            :fault="(field) => fault(`${i}.${field}`)"
            @remove="remove(i)" />
          <button v-if="typed.chains.length < 8" type="button" class="act" @click="add">
            {{ NEW_ENGINE.addAChain }}
          </button>
          <fieldset class="grid grid-cols-4 gap-3 bg-sheet p-4 max-md:grid-cols-2">
            <legend class="label float-left col-span-full mb-1 font-bold text-ink">{{ NEW_ENGINE.limits }}</legend>
            <Field
              v-model="typed.lagLimit"
              v-bind="NUMBER"
              :label="NEW_ENGINE.lagLimitIfKnown"
              :unit="NEW_ENGINE.crank2"
              :fault="fault('lagLimit')" />
            <Field
              v-model="typed.grooveLimit"
              v-bind="NUMBER"
              :label="NEW_ENGINE.grooveLimitIfKnown"
              unit="mm"
              :fault="fault('grooveLimit')" />
            <Field
              v-model="typed.source"
              class="col-span-full"
              :label="NEW_ENGINE.whereTheLimitsComeFrom"
              :fault="fault('source')"
              maxlength="120" />
          </fieldset>
        </div>
        <aside class="sticky top-4 space-y-3 self-start max-lg:static" :aria-label="NEW_ENGINE.whatItSaysSoFar">
          <Panel v-if="shows.length" tone="plate" :title="NEW_ENGINE.withThisSheet" data-testid="shows">
            <FigureTable
              class="mt-2"
              :caption="NEW_ENGINE.whatTheDriveShowsAt"
              :heads="[COMMON.elongation, NEW_ENGINE.extension, NEW_ENGINE.lag]"
              on-plate>
              <tr v-for="row in shows" :key="row.key">
                <td class="figure">
                  {{ fixDigits(row.percent, 2) }} %
                  <span v-if="typed.chains.length > 1" class="block text-note font-normal">{{ row.chain }}</span>
                </td>
                <td class="figure">
                  {{ row.extension === null ? '–' : NEW_ENGINE.mm(fixDigits(row.extension, 1)) }}
                </td>
                <td class="figure">{{ row.lag.map((lag) => `${fixDigits(lag, 1)}°`).join(', ') }}</td>
              </tr>
            </FigureTable>
            <p class="mt-2 text-note">{{ NEW_ENGINE.checkOneOfThemAgainst }}</p>
          </Panel>
          <Panel v-else tone="plate">
            <p>{{ NEW_ENGINE.whatTheDriveShowsAt2 }}</p>
          </Panel>
          <Panel v-if="gaps.length" :title="NEW_ENGINE.leftOpenForLater" class="text-body">
            <ul>
              <li v-for="gap in gaps" :key="gap.missing" class="mt-1">
                <b>{{ gap.missing }}.</b> {{ gap.meanwhile }}
              </li>
            </ul>
          </Panel>
          <FaultNote v-if="problem">{{ problem }}</FaultNote>
          <FaultNote v-else-if="wanted && result.faults.size">{{ NEW_ENGINE.notYetWhatIsMissing }}</FaultNote>
          <p
            v-for="{ words, right } in sums"
            :key="words"
            :class="right ? '' : 'font-bold text-renew'"
            data-testid="count-sum">
            {{ words }}
          </p>
          <button type="submit" class="act-main w-full" :disabled="busy">{{ NEW_ENGINE.keepThisEngine }}</button>
          <p class="text-note text-faint">
            {{ NEW_ENGINE.whatIsTypedStaysOn }}
          </p>
        </aside>
      </form>
    </ClientOnly>
  </PageFrame>
</template>

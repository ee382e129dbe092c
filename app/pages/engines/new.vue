<script setup lang="ts">
import { COMMON, NEW_ENGINE, gapWords, namesOf, sayFault } from '../../../words/en'
import { useLocalStorage } from '@vueuse/core'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import { chainModel, sheetGaps } from '../../../core/drive'
import { sheetFromAnswers, FIRST_ANSWERS, type TypedAnswers, isMissing } from '../../components/engine/answers'
import Field from '../../components/parts/Field.vue'
import ChoiceRow from '../../components/parts/ChoiceRow.vue'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { fixDigits, partName } from '../../words'
import FaultNote from '../../components/parts/FaultNote.vue'
import Panel from '../../components/parts/Panel.vue'
import FigureTable from '../../components/parts/FigureTable.vue'
import PageFrame from '../../components/parts/PageFrame.vue'

const NUMBER = { figure: true, inputmode: 'decimal', maxlength: '120' } as const

/** Bring your own engine: a counted sheet from what can be counted and looked up, usable at once, refined later. */
const bench = useBench()
const typed = useLocalStorage<TypedAnswers>('umbrette.sheet-new', structuredClone(FIRST_ANSWERS), {
  mergeDefaults: true
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
const cams = computed({
  get: () => String(typed.value.camNames.length),
  set: (count) => {
    const names = [NEW_ENGINE.intakeCam, NEW_ENGINE.exhaustCam, NEW_ENGINE.thirdCam, NEW_ENGINE.fourthCam]
    typed.value.camNames = Array.from({ length: Number(count) }, (_, i) => typed.value.camNames[i] ?? names[i]!)
    typed.value.counts = Array.from({ length: Number(count) + 1 }, (_, i) => typed.value.counts[i] ?? '')
  }
})
const turning = computed({ get: () => typed.value.rotation, set: (value) => (typed.value.rotation = value) })
const meets = computed({
  get: () => (typed.value.interference ? 'yes' : 'no'),
  set: (value) => (typed.value.interference = value === 'yes')
})
const runs = computed(() => typed.value.counts.map((_, i) => NEW_ENGINE.run(i, typed.value.camNames)))
const counted = computed(() => typed.value.counts.reduce((sum, links) => sum + (Number(links) || 0), 0))

/** What the sheet says already: how the drive stands at its limit. */
const shows = computed(() => {
  const { sheet } = result.value
  if (!sheet) return []
  const model = chainModel(sheet, sheet.chains[0]!)
  return [0, 0.5, 1].map((part) => {
    const elongation = (part * sheet.limits[0]!.value) / 100
    const at = model.readout({ elongation, wear: model.rails.map(() => 0), padWear: 0 })
    return {
      percent: 100 * elongation,
      extension: at.extension,
      lags: model.cams.map((id, i) => ({ name: partName(sheet, id), lag: at.lag[i]! }))
    }
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
              ]" />
            <ChoiceRow
              v-model="meets"
              class="col-span-2"
              :label="NEW_ENGINE.canValvesMeetPistons"
              :options="[
                { value: 'yes', label: NEW_ENGINE.yesOrNotKnown },
                { value: 'no', label: NEW_ENGINE.no }
              ]" />
          </fieldset>
          <fieldset class="grid grid-cols-4 gap-3 bg-sheet p-4 max-md:grid-cols-2">
            <legend class="label float-left col-span-full mb-1 font-bold text-ink">{{ NEW_ENGINE.theChain }}</legend>
            <Field v-model="typed.pitch" v-bind="NUMBER" :label="NEW_ENGINE.pitch" unit="mm" :fault="fault('pitch')" />
            <Field v-model="typed.links" v-bind="NUMBER" :label="NEW_ENGINE.links" :fault="fault('links')" />
            <Field
              v-model="typed.crankTeeth"
              v-bind="NUMBER"
              :label="NEW_ENGINE.teethCrankSprocket"
              :fault="fault('crankTeeth')" />
            <Field
              v-model="typed.camTeeth"
              v-bind="NUMBER"
              :label="NEW_ENGINE.teethEachCam"
              :fault="fault('camTeeth')" />
            <ChoiceRow
              v-model="cams"
              class="col-span-2"
              :label="NEW_ENGINE.camsOnThisChain"
              :options="['1', '2', '3', '4'].map((value) => ({ value, label: value }))" />
            <Field
              v-for="(_, i) in typed.camNames"
              :key="`cam-${i}`"
              v-model="typed.camNames[i]!"
              :label="NEW_ENGINE.camFromTheSlackSide(i + 1)"
              :fault="fault('camNames')"
              maxlength="120" />
            <div class="col-span-full grid grid-cols-4 gap-3 border-t border-rule pt-3 max-md:grid-cols-2">
              <p class="label col-span-full">
                {{ NEW_ENGINE.wholeLinksFromMarkTo }}
              </p>
              <Field
                v-for="(_, i) in typed.counts"
                :key="`count-${i}`"
                v-model="typed.counts[i]!"
                v-bind="NUMBER"
                :label="runs[i]!" />
              <p class="col-span-full text-note" :class="fault('counts') ? 'font-bold text-renew' : 'text-faint'">
                {{ fault('counts') ?? NEW_ENGINE.togetherOfLinks(counted, typed.links || '?') }}
              </p>
            </div>
          </fieldset>
          <fieldset class="grid grid-cols-4 gap-3 bg-sheet p-4 max-md:grid-cols-2">
            <legend class="label float-left col-span-full mb-1 font-bold text-ink">
              {{ NEW_ENGINE.tensionerAndLimits }}
            </legend>
            <Field
              v-model="typed.newExtension"
              v-bind="NUMBER"
              :label="NEW_ENGINE.extensionNewDrive"
              unit="mm"
              :fault="fault('newExtension')" />
            <Field
              v-model="typed.limitExtension"
              v-bind="NUMBER"
              :label="NEW_ENGINE.extensionAtTheLimit"
              unit="mm"
              :fault="fault('limitExtension')" />
            <Field v-model="typed.stroke" v-bind="NUMBER" :label="COMMON.stroke" unit="mm" :fault="fault('stroke')" />
            <Field
              v-model="typed.elongationLimit"
              v-bind="NUMBER"
              :label="NEW_ENGINE.elongationLimit"
              unit="%"
              :fault="fault('elongationLimit')" />
            <Field
              v-model="typed.notchFirst"
              v-bind="NUMBER"
              :label="NEW_ENGINE.firstNotchAtIfAny"
              unit="mm"
              :fault="fault('notchFirst')" />
            <Field
              v-model="typed.notchPitch"
              v-bind="NUMBER"
              :label="NEW_ENGINE.notchToNotch"
              unit="mm"
              :fault="fault('notchPitch')" />
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
        <aside class="space-y-3" :aria-label="NEW_ENGINE.whatItSaysSoFar">
          <Panel v-if="shows.length" tone="plate" :title="NEW_ENGINE.withThisSheet" data-testid="shows">
            <FigureTable
              class="mt-2"
              :caption="NEW_ENGINE.whatTheDriveShowsAt"
              :heads="[COMMON.elongation, NEW_ENGINE.extension, NEW_ENGINE.lag]"
              on-plate>
              <tr v-for="row in shows" :key="row.percent">
                <td class="figure">{{ fixDigits(row.percent, 2) }} %</td>
                <td class="figure">{{ NEW_ENGINE.mm(fixDigits(row.extension ?? 0, 1)) }}</td>
                <td class="figure">{{ row.lags.map(({ lag }) => `${fixDigits(lag, 1)}°`).join(', ') }}</td>
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
          <button type="submit" class="act-main w-full" :disabled="busy">{{ NEW_ENGINE.keepThisEngine }}</button>
          <p class="text-note text-faint">
            {{ NEW_ENGINE.whatIsTypedStaysOn }}
          </p>
        </aside>
      </form>
    </ClientOnly>
  </PageFrame>
</template>

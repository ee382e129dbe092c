<script setup lang="ts">
import { midSentence } from '../../../../words/spoken'
import { EXPLANATIONS_PAGE, namesOf, saySlip, sayStatement, VERDICT_PAGE } from '../../../../words/en'
import { slipOf } from '../../../../core/estimate'
import { computed } from 'vue'
import { heldCalls } from '../../../../core/record'
import { plainVerdict, unlookedAt } from '../../../../core/views/verdict'
import { SEVERITY } from '../../../../core/calls'
import DriveMap from '../../../components/map/DriveMap.vue'
import { later } from '../../../later'
import CalledParts from '../../../components/verdict/CalledParts.vue'
import JobBar from '../../../components/verdict/JobBar.vue'
import OtherSchools from '../../../components/verdict/OtherSchools.vue'
import SchoolPicker from '../../../components/verdict/SchoolPicker.vue'
import SignOff from '../../../components/verdict/SignOff.vue'
import UnlookedParts from '../../../components/verdict/UnlookedParts.vue'
import { useNearJump } from '../../../composables/useNearJump'
import { useOpenJob } from '../../../stores/job'
import { useBench } from '../../../stores/bench'
import { kindWords, readingWords, SCHOOL_WORDS, usageWords } from '../../../words'
import FaultNote from '../../../components/parts/FaultNote.vue'
import Panel from '../../../components/parts/Panel.vue'
import Caution from '../../../components/parts/Caution.vue'
import NextFrame from '../../../components/parts/NextFrame.vue'

const NearJumpPanel = later(() => import('../../../components/verdict/NearJumpPanel.vue'))

/** The verdict: what happened in plain words, then a call for each part with its reasons, the severest first. */
const job = useOpenJob()
const bench = useBench()
const near = useNearJump()

const calls = computed(() =>
  heldCalls(job.assessment.calls, job.record.overrules).sort(
    (a, b) => SEVERITY.indexOf(b.holds) - SEVERITY.indexOf(a.holds)
  )
)
const unlooked = computed(() => unlookedAt(calls.value, job.record))
const looked = computed(() => calls.value.filter((call) => !unlooked.value.includes(call)))
/** The map shows the calls as they hold. */
const asHeld = computed(() => ({
  ...job.assessment,
  calls: calls.value.map((call) => ({ part: call.part, call: call.holds, reasons: call.reasons }))
}))
const sentences = computed(() =>
  plainVerdict(job.job.sheet, job.assessment).map((statement) => sayStatement(statement, namesOf(job.job.sheet)))
)
const atOdds = computed(() =>
  job.assessment.readings
    .filter((r) => r.atOdds)
    .flatMap((said) => {
      const reading = job.readingById(said.id)
      return reading ? [{ reading, predicted: said.predicted, slip: slipOf(reading, said) }] : []
    })
)
const school = computed({
  get: () => job.record.school,
  set: (value) => job.put({ type: 'school', school: value })
})
</script>

<template>
  <div>
    <JobBar :says="VERDICT_PAGE.verdict(usageWords(job.job.usage))" />
    <main
      class="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)_440px] gap-8 px-6 py-6 max-lg:grid-cols-1 max-md:px-2">
      <div>
        <h2 class="sr-only">{{ VERDICT_PAGE.whatHappened }}</h2>
        <p v-for="sentence in sentences" :key="sentence" class="text-xl leading-snug" data-testid="plain">
          {{ sentence }}
        </p>
        <NuxtLink :to="`/jobs/${job.id}/explain`" class="act-bare inline-flex items-center" data-testid="explain">{{
          EXPLANATIONS_PAGE.open
        }}</NuxtLink>
        <FaultNote v-if="job.failed" class="mt-2">{{ job.failed }}</FaultNote>
        <Panel
          v-if="atOdds.length"
          tone="note"
          :title="VERDICT_PAGE.atOddsWithTheRest"
          class="mt-4"
          data-testid="at-odds">
          <ul>
            <li v-for="{ reading, predicted, slip } in atOdds" :key="reading.id">
              <template v-if="slip">{{ kindWords(job.job.sheet, reading) }}: {{ saySlip(slip) }}.</template>
              <template v-else>
                {{ VERDICT_PAGE.theOtherReadingsImply(kindWords(job.job.sheet, reading), readingWords(reading)) }}
                <span class="figure">{{
                  predicted === null
                    ? ''
                    : readingWords({ ...reading, value: Number(predicted.toFixed(2)) } as typeof reading)
                }}</span>
              </template>
            </li>
          </ul>
        </Panel>
        <h2 class="mt-6 mb-2 label">{{ VERDICT_PAGE.callsPartByPart }}</h2>
        <CalledParts :calls="looked" />
        <UnlookedParts :calls="unlooked"><CalledParts :calls="unlooked" /></UnlookedParts>
        <Caution class="mt-4">{{ VERDICT_PAGE.theMakersManualForThis(job.job.sheet.note) }}</Caution>
      </div>
      <div class="space-y-4">
        <ClientOnly>
          <SchoolPicker v-if="bench.by" v-model="school" />
          <p v-else class="border-l-4 border-brass bg-sheet p-3">
            {{ VERDICT_PAGE.judgedChooseWhoIsAt(midSentence(SCHOOL_WORDS[job.record.school].name)) }}
          </p>
        </ClientOnly>
        <div class="h-[440px] bg-plate">
          <NextFrame
            ><DriveMap
              :sheet="job.job.sheet"
              :corrections="job.corrections"
              :assessment="asHeld"
              :readings="job.record.readings"
              :near="near"
              narrow
          /></NextFrame>
        </div>
        <ClientOnly
          ><NearJumpPanel v-if="near.length" :sheet="job.job.sheet" :near="near" :unit="job.job.usage.unit"
        /></ClientOnly>
        <ClientOnly><SignOff /><OtherSchools /></ClientOnly>
      </div>
    </main>
  </div>
</template>

<script setup lang="ts">
import { DOUBT, STRETCH_LEDGER, UNTOLD, sayPartName } from '../../../words/en'
import type { Assessment } from '../../../core/paths'
import type { StandingReading } from '../../../core/record'
import type { Reading } from '../../../core/readings'
import type { Slot } from '../../../core/views/bench'
import { type DriveSheet, limitFor } from '../../../core/sheet'
import { NINETY } from '../../../core/math'
import { fixDigits, partName } from '../../words'
import BudgetBar from './BudgetBar.vue'
import CamDial from './CamDial.vue'
import DoubtButton from './DoubtButton.vue'
import LedgerNotes from './LedgerNotes.vue'
import StretchLine from './StretchLine.vue'

/** The estimate as it stands: stretch, cams, the extension's budget, what changed, and what to read next. */
const props = defineProps<{
  sheet: DriveSheet
  assessment: Assessment
  readings: readonly StandingReading[]
  change: string
  failed: string
  next: Slot | null
  canTakeBack: boolean
}>()
const emit = defineEmits<{
  take: [slot: Slot]
  reading: [reading: StandingReading]
  correct: [reading: StandingReading, as: Reading]
  takeBack: []
  explain: []
}>()

/** `±0.08 of it because nobody said whether the head was machined`: where that is a good part of the doubt. */
function untoldOf(chain: string): string | undefined {
  const { made = [], elongation } = props.assessment.chains[chain]!
  const asked = made.find(({ cause, sd }) => cause in UNTOLD.asked && sd > WORTH_ASKING * elongation.sd)
  return asked && DOUBT.ofIt(fixDigits(100 * NINETY * asked.sd, 2), String(DOUBT.causes[asked.cause]))
}
/** Share of an sd from which what was not told is named beside it. */
const WORTH_ASKING = 0.4
</script>

<template>
  <section
    class="[contain:layout_paint] grid max-md:!grid-cols-1 max-md:divide-x-0 max-md:divide-y grid-cols-[minmax(220px,1fr)_minmax(250px,1.1fr)_minmax(280px,1.3fr)_minmax(220px,1fr)] divide-x divide-rule border-t-2 border-ink bg-sheet md:max-h-[36dvh] md:overflow-y-auto [&>div]:min-w-0 [&>div]:px-4 [&>div]:py-2"
    :aria-label="STRETCH_LEDGER.stretchLedger">
    <div>
      <h3 class="label">{{ STRETCH_LEDGER.stretch }}</h3>
      <template v-for="chain in sheet.chains" :key="chain.id">
        <StretchLine
          :name="sayPartName(chain.name)"
          :elongation="assessment.chains[chain.id]!.elongation"
          :limit="limitFor(sheet, 'elongation', chain.id)"
          :compact="sheet.chains.length > 1"
          :named="sheet.chains.length > 1"
          :untold="untoldOf(chain.id)">
          <DoubtButton
            :sheet="sheet"
            :assessment="assessment"
            :name="sayPartName(chain.name)"
            :chain="chain.id"
            :made="assessment.chains[chain.id]!.made ?? []"
            :sd="assessment.chains[chain.id]!.elongation.sd"
            unit="%" />
        </StretchLine>
      </template>
    </div>
    <div>
      <h3 class="label">{{ STRETCH_LEDGER.camsAgainstTheirMarks }}</h3>
      <div class="mt-1 grid gap-1" :class="Object.keys(assessment.cams).length > 2 ? 'grid-cols-2' : ''">
        <CamDial
          v-for="(cam, id) in assessment.cams"
          :key="id"
          :name="
            partName(sheet, String(id)).replace(
              Object.keys(assessment.cams).length > 2 ? STRETCH_LEDGER.camSprocket : ' sprocket',
              ''
            )
          "
          :cam="cam"
          :limit="limitFor(sheet, 'camLag', String(id))?.value ?? null">
          <DoubtButton
            :sheet="sheet"
            :assessment="assessment"
            :name="partName(sheet, String(id))"
            :chain="cam.chain"
            :made="cam.made ?? []"
            :sd="cam.lag.sd"
            unit="°" />
        </CamDial>
      </div>
    </div>
    <div>
      <h3 class="label">{{ STRETCH_LEDGER.extensionAndWhatItIs }}</h3>
      <BudgetBar
        v-for="tensioner in sheet.tensioners"
        :brief="sheet.tensioners.length > 1"
        :key="tensioner.id"
        :sheet="sheet"
        :tensioner="tensioner"
        :estimate="assessment.tensioners[tensioner.id]!" />
    </div>
    <div class="relative min-h-40">
      <LedgerNotes
        class="absolute inset-0 overflow-y-auto px-4 py-2"
        v-bind="props"
        @take="emit('take', $event)"
        @reading="emit('reading', $event)"
        @correct="(reading, as) => emit('correct', reading, as)"
        @take-back="emit('takeBack')"
        @explain="emit('explain')" />
    </div>
  </section>
</template>

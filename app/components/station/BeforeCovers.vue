<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { LOOK_WORDS, sayOpening, BEFORE_COVERS } from '../../../words/en'
import { computed } from 'vue'
import { ENGINE_GROUPS, LIFTER_GROUP } from '../../../core/views/bench'
import { openingOf } from '../../../core/views/suspects'
import { useOpenJob } from '../../stores/job'
import { useSuspectTable } from '../../composables/useSuspectTable'
import { oddsWords, partName } from '../../words'
import FindingKeys from '../bench/FindingKeys.vue'
import ScanPane from './ScanPane.vue'
import Panel from '../parts/Panel.vue'
import Caution from '../parts/Caution.vue'

/** Station 2: cheap looks that decide whether to open it. */
const job = useOpenJob()
const sheet = computed(() => job.job.sheet)
const table = useSuspectTable()
const opening = computed(() => openingOf(job.file, job.assessment, table.value))
const ADVICE = {
  open: BEFORE_COVERS.openIt,
  'leave-closed': BEFORE_COVERS.leaveItClosed,
  'measure-first': BEFORE_COVERS.measureFirst
} as const
/** A plug to look through is read like any extension. */
const plugs = computed(() => job.slots.filter((slot) => slot.kind === 'extension'))
const lifters = computed(() => (sheet.value.engine.cylinders <= 2 ? sheet.value.tensioners : []))
</script>

<template>
  <aside
    class="min-h-0 space-y-4 overflow-y-auto border-l border-rule bg-sheet p-4"
    :aria-label="BEFORE_COVERS.beforeTheCovers">
    <Panel tone="note" data-testid="opening">
      <h2 class="text-2xl leading-tight font-bold">{{ ADVICE[opening.advice] }}</h2>
      <p>{{ sayOpening(opening.because) }}</p>
      <p class="text-note text-faint">
        {{
          BEFORE_COVERS.whatIsWrongLiesBehind(
            oddsWords(opening.odds),
            opening.quiet > 0.1 ? oddsWords(opening.quiet) : null
          )
        }}
      </p>
    </Panel>
    <section>
      <h3 class="label">{{ BEFORE_COVERS.looksThatTellMost }}</h3>
      <ol class="text-note">
        <li
          v-for="look in opening.looks.slice(0, 4)"
          :key="look.look + look.target"
          class="flex justify-between gap-2 border-t border-rule py-1">
          <span
            >{{ LOOK_WORDS[look.look]
            }}<template v-if="look.target !== 'engine'"
              >, {{ midSentence(partName(sheet, look.target)) }}</template
            ></span
          ><span class="figure whitespace-nowrap font-normal">{{
            BEFORE_COVERS.ofTheDoubtMin(oddsWords(look.gain), look.minutes)
          }}</span>
        </li>
      </ol>
    </section>
    <section>
      <h3 class="label">{{ BEFORE_COVERS.tensionerThroughItsPlugOr }}</h3>
      <button
        v-for="slot in plugs"
        :key="slot.key"
        type="button"
        class="act mt-1 w-full text-left"
        @click="job.openSlot(slot)">
        {{ BEFORE_COVERS.read(midSentence(partName(sheet, slot.part))) }}
      </button>
    </section>
    <FindingKeys v-for="lifter in lifters" :key="lifter.id" :target="lifter.id" :groups="[LIFTER_GROUP]" />
    <ScanPane />
    <section>
      <h3 class="label">{{ BEFORE_COVERS.traceOfCrankAndCams }}</h3>
      <NuxtLink
        class="act mt-1 flex items-center"
        :to="`/jobs/${job.id}/trace`"
        :prefetch="false"
        data-testid="to-trace"
        >{{ BEFORE_COVERS.readATrace }}</NuxtLink
      >
      <p class="text-note text-faint">{{ BEFORE_COVERS.traceIsWorth }}</p>
    </section>
    <FindingKeys target="engine" :groups="ENGINE_GROUPS[2]!" />
    <Caution>{{ BEFORE_COVERS.hotOilAndCoolantWhen }}</Caution>
  </aside>
</template>

<script setup lang="ts">
import { LOOK_WORDS, sayOpening } from '../../../words/en'
import { computed } from 'vue'
import { ENGINE_GROUPS, LIFTER_GROUP } from '../../../core/views/bench'
import { openingOf } from '../../../core/views/suspects'
import { useJob } from '../../stores/job'
import { oddsWords, partName } from '../../words'
import FindingKeys from '../bench/FindingKeys.vue'
import ScanPane from './ScanPane.vue'
import Panel from '../parts/Panel.vue'
import Caution from '../parts/Caution.vue'

/** Station 2: cheap looks that decide whether to open it. */
const job = useJob()
const sheet = computed(() => job.job!.sheet)
const opening = computed(() => openingOf(job.file!, job.assessment!))
const ADVICE = { open: 'Open it', 'leave-closed': 'Leave it closed', 'measure-first': 'Measure first' } as const
/** A plug to look through is read like any extension. */
const plugs = computed(() => job.slots.filter((slot) => slot.kind === 'extension'))
const lifters = computed(() => (sheet.value.engine.cylinders <= 2 ? sheet.value.tensioners : []))
</script>

<template>
  <aside class="min-h-0 space-y-4 overflow-y-auto border-l border-rule bg-sheet p-4" aria-label="Before the covers">
    <Panel tone="note" data-testid="opening">
      <h2 class="text-2xl leading-tight font-bold">{{ ADVICE[opening.advice] }}</h2>
      <p>{{ sayOpening(opening.because) }}</p>
      <p class="text-note text-faint">What is wrong lies behind the covers: {{ oddsWords(opening.odds) }} likely.</p>
    </Panel>
    <section>
      <h3 class="label">Looks that tell most</h3>
      <ol class="text-note">
        <li
          v-for="look in opening.looks.slice(0, 4)"
          :key="look.look + look.target"
          class="flex justify-between gap-2 border-t border-rule py-1">
          <span
            >{{ LOOK_WORDS[look.look]
            }}<template v-if="look.target !== 'engine'"
              >, {{ partName(sheet, look.target).toLowerCase() }}</template
            ></span
          ><span class="figure whitespace-nowrap font-normal"
            >{{ oddsWords(look.gain) }} of the doubt, {{ look.minutes }} min</span
          >
        </li>
      </ol>
    </section>
    <section>
      <h3 class="label">Tensioner through its plug or filler</h3>
      <button
        v-for="slot in plugs"
        :key="slot.key"
        type="button"
        class="act mt-1 w-full text-left"
        @click="job.openSlot(slot)">
        Read {{ partName(sheet, slot.part).toLowerCase() }}
      </button>
    </section>
    <FindingKeys v-for="lifter in lifters" :key="lifter.id" :target="lifter.id" :groups="[LIFTER_GROUP]" />
    <ScanPane />
    <FindingKeys target="engine" :groups="ENGINE_GROUPS[2]!" />
    <Caution
      >Hot oil and coolant when a plug is opened warm. Springs and lifters fly: eye protection, a rag over the hole. On
      a small single: compression dead centre, valves at rest, before the lifter comes out, or the chain jumps.</Caution
    >
  </aside>
</template>

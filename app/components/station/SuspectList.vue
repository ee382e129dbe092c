<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { SUSPECT_WORDS, namesOf, sayEvidence, upperFirst, SUSPECT_LIST } from '../../../words/en'
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { computed } from 'vue'
import { suspectsOf, type Suspect } from '../../../core/views/suspects'
import { useOpenJob } from '../../stores/job'
import { useSuspectTable } from '../../composables/useSuspectTable'
import { oddsWords, partName } from '../../words'
import { placeOn } from '../ledger/placeOn'

/** What may be behind the complaint, ranked again with every answer, each with its because. */
const job = useOpenJob()
const table = useSuspectTable()
const suspects = computed(() => suspectsOf(job.file, job.assessment, table.value))
/** Which part of its kind it likelier is. */
const where = ({ parts }: Suspect) =>
  parts.length === 0
    ? ''
    : SUSPECT_LIST.likelier(
        parts.slice(0, 2).map(({ part, share }) => `${partName(job.job.sheet, part)} (${oddsWords(share)})`)
      )
const first = computed(() => suspects.value[0]!)
const says = (why: Suspect['because'][number]) => sayEvidence(why, namesOf(job.job.sheet))
const width = computed(() => placeOn([0, Math.max(0.3, first.value.odds)], [0, 100]))
</script>

<template>
  <aside class="min-h-0 overflow-y-auto border-l border-rule bg-sheet p-4" :aria-label="SUSPECT_LIST.suspects">
    <h2 class="text-xl font-bold">{{ SUSPECT_LIST.suspects }}</h2>
    <p class="border-l-4 border-brass bg-paper mt-2 p-2">
      <span class="label">{{ SUSPECT_LIST.lookFirst }}</span>{{ upperFirst(SUSPECT_WORDS[first.id].look) }}.
    </p>
    <ol class="mt-2">
      <li v-for="suspect in suspects" :key="suspect.id" class="border-t border-rule" data-testid="suspect">
        <Disclosure v-slot="{ open }">
          <DisclosureButton class="block min-h-11 w-full py-1.5 text-left">
            <span class="flex items-baseline justify-between gap-2"
              ><span
                >{{ SUSPECT_WORDS[suspect.id].name
                }}<span v-if="suspect.parts[0]" class="text-note text-faint"
                  >, {{ midSentence(partName(job.job.sheet, suspect.parts[0].part)) }}</span
                ></span
              ><span class="figure whitespace-nowrap">{{ oddsWords(suspect.odds) }}</span></span
            >
            <span class="mt-0.5 block h-1.5 bg-paper" aria-hidden="true"
              ><span class="block h-full bg-ink" :style="{ width: `${width(suspect.odds)}%` }"
            /></span>
            <span v-if="!open && suspect.because[0]" class="mt-0.5 block text-note text-faint">{{
              says(suspect.because[0])
            }}</span>
          </DisclosureButton>
          <DisclosurePanel class="pb-2 text-note">
            <ul>
              <li v-for="why in suspect.because" :key="says(why)">
                {{ why.factor >= 1 ? SUSPECT_LIST.for : SUSPECT_LIST.against }}: {{ says(why) }}
              </li>
            </ul>
            <p v-if="where(suspect)">{{ where(suspect) }}</p>
            <p v-if="suspect.because.length === 0" class="text-faint">{{ SUSPECT_LIST.nothingSaidYetBearsOn }}</p>
            <p>{{ SUSPECT_LIST.lookAt(SUSPECT_WORDS[suspect.id].look) }}</p>
          </DisclosurePanel>
        </Disclosure>
      </li>
    </ol>
    <p class="mt-3 text-note text-faint">
      {{ SUSPECT_LIST.sharesOfTheWholeBy }}{{ ' ' }}
      <NuxtLink to="/suspects" class="underline">{{ SUSPECT_LIST.theTable }}</NuxtLink>
    </p>
  </aside>
</template>

<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { ERASING, JOB_STRIP, STATE_WORDS, WAITS_WORDS, sayPartName } from '../../../words/en'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { EllipsisVerticalIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'
import type { JobState, WaitsFor } from '../../../core/record'
import type { BoardJob } from '../../../server/store/board'
import type { NumericKind } from '../../../core/readings'
import { KIND_NAMES, usageWords } from '../../words'
import { may } from '../../signedIn'
import StretchLine from '../ledger/StretchLine.vue'
import CallMark from '../parts/CallMark.vue'
import WhenAt from '../parts/WhenAt.vue'

/** A job on its stand: the engine, what it was brought in for, how long its chain is, and what it waits for. */
const props = defineProps<{ job: BoardJob; state: JobState }>()
const emit = defineEmits<{ move: [to: JobState]; waits: [what: WaitsFor]; erase: [] }>()
const moves = computed(() => (['open', 'closed', 'archived', 'deleted'] as const).filter((to) => to !== props.state))
const waits = computed(() =>
  props.state !== 'open'
    ? []
    : props.job.waits
      ? (['part', 'customer', 'nothing'] as const)
      : (['part', 'customer'] as const)
)
const nextWords = ({ kind, part }: { kind: NumericKind; part: string }) =>
  `${KIND_NAMES[kind]}, ${midSentence(sayPartName(part))}`
</script>

<template>
  <div class="relative">
    <NuxtLink
      :to="`/jobs/${job.id}`"
      class="grid grid-cols-[110px_minmax(0,1.4fr)_minmax(220px,1fr)_minmax(230px,0.8fr)] items-start gap-6 border-t border-rule bg-sheet py-4 pr-14 pl-5 hover:border-brass max-md:grid-cols-1 max-md:gap-2"
      data-testid="job">
      <p class="bg-plate px-2 py-3 text-center font-bold text-scribe">{{ job.stand || JOB_STRIP.noStand }}</p>
      <div class="min-w-0">
        <h2 class="truncate text-lg leading-tight font-bold">{{ job.vehicle }}</h2>
        <p class="text-note text-faint">{{ job.sheet.name }}, {{ usageWords(job.usage) }}</p>
        <p class="mt-1 line-clamp-2">{{ job.complaint }}</p>
      </div>
      <div>
        <p v-if="job.trouble" class="border-l-4 border-renew pl-2" data-testid="trouble">
          <b>{{ JOB_STRIP.cannotBeComputed }}</b> {{ JOB_STRIP.itsEntriesAreKeptOpen }}
        </p>
        <StretchLine
          v-else-if="job.readings > 0"
          :name="job.elongation.name"
          :elongation="job.elongation"
          :limit="job.elongation.limit"
          compact />
        <p v-else class="text-faint">{{ JOB_STRIP.nothingReadYet }}</p>
      </div>
      <div>
        <p class="flex flex-wrap gap-x-4 gap-y-1">
          <span
            v-for="{ call, parts } in job.readings > 0 ? job.calls : []"
            :key="call"
            class="inline-flex items-center gap-1"
            ><span class="figure">{{ parts }}</span
            ><CallMark :call="call" :size="16"
          /></span>
        </p>
        <p v-if="job.waits" class="mt-1 border-l-4 border-brass pl-2 font-bold" data-testid="waits">
          {{ WAITS_WORDS[job.waits.for].says
          }}<span v-if="job.waits.note" class="block text-note font-normal">{{ job.waits.note }}</span>
        </p>
        <p v-else-if="job.next" class="mt-1 text-note">{{ JOB_STRIP.waitsForAReading(nextWords(job.next)) }}</p>
        <p class="text-note text-faint">{{ job.lastBy }}, <WhenAt :at="job.lastAt" /></p>
      </div>
    </NuxtLink>
    <Menu as="div" class="absolute top-3 right-2">
      <MenuButton class="grid min-h-11 min-w-11 place-items-center" :aria-label="JOB_STRIP.whatToDoWith(job.vehicle)"
        ><EllipsisVerticalIcon class="size-5" aria-hidden="true"
      /></MenuButton>
      <MenuItems class="absolute right-0 z-20 w-52 border border-faint bg-sheet p-1">
        <MenuItem v-for="what in waits" :key="what" v-slot="{ active }"
          ><button
            type="button"
            class="block min-h-11 w-full px-3 text-left"
            :class="active ? 'bg-paper' : ''"
            @click="emit('waits', what)">
            {{ WAITS_WORDS[what].choose }}
          </button></MenuItem
        >
        <MenuItem v-for="to in moves" :key="to" v-slot="{ active }"
          ><button
            type="button"
            class="block min-h-11 w-full px-3 text-left"
            :class="active ? 'bg-paper' : ''"
            @click="emit('move', to)">
            {{ STATE_WORDS[to].move }}
          </button></MenuItem
        >
        <MenuItem v-if="state === 'deleted' && may('owner')" v-slot="{ active }"
          ><button
            type="button"
            class="block min-h-11 w-full px-3 text-left"
            :class="active ? 'bg-paper' : ''"
            @click="emit('erase')">
            {{ ERASING.erase }}
          </button></MenuItem
        >
      </MenuItems>
    </Menu>
  </div>
</template>

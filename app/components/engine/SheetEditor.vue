<script setup lang="ts">
import { known } from '../../../words/spoken'
import { gapWords, namesOf, sayFault, sayPlace, SHEET_EDITOR } from '../../../words/en'
import { computed, ref } from 'vue'
import { sheetGaps } from '../../../core/drive'
import type { Fault } from '../../../core/check'
import FrontBeside from '../front/FrontBeside.vue'
import ClosingNote from './ClosingNote.vue'
import EntryListEditor from './EntryListEditor.vue'
import { SECTIONS, sectionOf } from './sections'
import SheetField from './SheetField.vue'
import SheetMap from './SheetMap.vue'
import type { SheetDraft } from './useSheetDraft'
import Panel from '../parts/Panel.vue'

/**
 * A drive sheet section by section, with its drawing, how near it is to closing, its faults and what it leaves open.
 */
const props = defineProps<{
  sheet: SheetDraft
  /** Of which sheet the front's photo is shown, where there is one. */
  photoOf?: string
}>()

const current = ref('engine')
const section = computed(() => SECTIONS.find(({ key }) => key === current.value) ?? SECTIONS[0]!)
const faults = computed(() => props.sheet.faults.value)
const bySection = computed(
  () => new Map(SECTIONS.map(({ key }) => [key, faults.value.filter((f) => sectionOf(f.place) === key)]))
)
const faultsOf = (section: string) => bySection.value.get(section)?.length ?? 0
const gaps = computed(() => {
  const sheet = props.sheet.sound.value
  return sheet ? sheetGaps(sheet).map((gap) => gapWords(gap, namesOf(sheet))) : []
})
const at = (key: string) =>
  faults.value
    .filter((f) => f.place === key || f.place.startsWith(`${key}.`) || f.place.startsWith(`${key}[`))
    .map(sayFault)
const words = (fault: Fault) => `${fault.place} ${sayFault(fault)}`
</script>

<template>
  <div
    class="grid grid-cols-[150px_minmax(0,1fr)_360px] gap-5 max-lg:grid-cols-[130px_minmax(0,1fr)] max-md:grid-cols-1">
    <nav :aria-label="SHEET_EDITOR.sectionsOfTheSheet">
      <button
        v-for="one in SECTIONS"
        :key="one.key"
        type="button"
        class="block min-h-11 w-full border-l-4 px-3 text-left"
        :class="one.key === current ? 'border-brass bg-sheet font-bold' : 'border-transparent'"
        :aria-current="one.key === current ? 'step' : undefined"
        @click="current = one.key">
        {{ known(one.title)
        }}<span v-if="faultsOf(one.key)" class="block text-mark font-bold text-renew">{{
          SHEET_EDITOR.faults(faultsOf(one.key))
        }}</span>
      </button>
      <div class="mt-3 flex gap-1 px-1">
        <button type="button" class="act" :disabled="!sheet.canUndo.value" @click="sheet.undo()">
          {{ SHEET_EDITOR.undo }}
        </button>
        <button type="button" class="act" :disabled="!sheet.canRedo.value" @click="sheet.redo()">
          {{ SHEET_EDITOR.redo }}
        </button>
      </div>
    </nav>
    <div class="min-w-0">
      <p class="mb-2">{{ known(section.says) }}</p>
      <div v-if="section.fields.length" class="grid grid-cols-3 gap-3 bg-sheet p-4 max-md:grid-cols-1">
        <SheetField
          v-for="field in section.fields"
          :key="field.key"
          :field="field"
          :value="sheet.get(field.key)"
          :draft="sheet.draft.value"
          :entry="null"
          :faults="at(field.key)"
          @change="sheet.set(field.key, $event)" />
      </div>
      <EntryListEditor v-for="list in section.lists" :key="list.at" :list="list" :sheet="sheet" :faults="faults" />
    </div>
    <aside class="space-y-3 max-lg:col-span-full" :aria-label="SHEET_EDITOR.theDriveSoFar">
      <div class="h-80"><SheetMap :sheet="sheet.sound.value" /></div>
      <FrontBeside v-if="photoOf" :sheet="photoOf" />
      <ClosingNote :draft="sheet" />
      <Panel v-if="faults.length" tone="fault" class="text-body" data-testid="faults">
        <h3 class="font-bold">
          {{ SHEET_EDITOR.beforeItCanBeKept(faults.length) }}
        </h3>
        <ul class="mt-1 max-h-60 overflow-auto">
          <li v-for="fault in faults.slice(0, 40)" :key="words(fault)">
            <button
              type="button"
              class="min-h-9 text-left underline decoration-brass underline-offset-2"
              @click="current = sectionOf(fault.place)">
              <b>{{ sayPlace(fault.place, sheet.draft.value) || SHEET_EDITOR.sheet }}</b> {{ sayFault(fault) }}
            </button>
          </li>
        </ul>
      </Panel>
      <Panel v-else class="text-body" data-testid="sound">
        <h3 class="font-bold">{{ SHEET_EDITOR.soundItCanBeUsed }}</h3>
        <template v-if="gaps.length"
          ><p class="mt-1 text-faint">{{ SHEET_EDITOR.leftOpen }}</p>
          <ul>
            <li v-for="gap in gaps" :key="gap.missing" class="mt-1">
              <b>{{ gap.missing }}.</b> {{ gap.meanwhile }}
            </li>
          </ul></template
        >
      </Panel>
    </aside>
  </div>
</template>

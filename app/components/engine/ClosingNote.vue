<script setup lang="ts">
import { CLOSING_NOTE } from '../../../words/en'
import { computed } from 'vue'
import { closeChain, referenceFaults, smallestCorrection } from '../../../core/drive'
import { schemaFaults } from '../../../core/check'
import { driveSchema, type DriveSheet } from '../../../core/sheet'
import { fixDigits, partName } from '../../words'
import type { SheetDraft } from './useSheetDraft'
import Panel from '../parts/Panel.vue'

/** How far each new chain is from closeChain round roughly measured centres, and the smallest shift that closes it. */
const props = defineProps<{ draft: SheetDraft }>()

const chains = computed(() => {
  const sheet = props.draft.draft.value as unknown as DriveSheet
  // Only a sheet of the right shape can be measured.
  if (schemaFaults(driveSchema, sheet).length > 0 || referenceFaults(sheet).length > 0) return []
  return sheet.chains.flatMap((chain) => {
    const at = closeChain(sheet, chain)
    return at ? [{ sheet, chain, at, shifts: Math.abs(at.off) < 0.01 ? [] : smallestCorrection(sheet, chain) }] : []
  })
})

function take(shifts: NonNullable<(typeof chains.value)[number]['shifts']>, sheet: DriveSheet) {
  const centres = new Map(shifts.map(({ sprocket, to }) => [sprocket, to]))
  props.draft.set(
    'sprockets',
    sheet.sprockets.map((s) => ({ ...s, centre: centres.get(s.id) ?? s.centre }))
  )
}
const byHow = ({ from, to }: { from: readonly number[]; to: readonly number[] }) =>
  CLOSING_NOTE.rightUp(fixDigits(to[0]! - from[0]!, 2), fixDigits(to[1]! - from[1]!, 2))
</script>

<template>
  <Panel
    v-for="{ sheet, chain, at, shifts } in chains"
    :key="chain.id"
    class="text-body"
    :tone="shifts?.length === 0 ? 'plain' : 'note'"
    data-testid="closing">
    <p v-if="shifts?.length === 0">
      {{ CLOSING_NOTE.closes(chain.name) }} <span class="figure">{{ fixDigits(at.links, 2) }}</span>
      {{ CLOSING_NOTE.linksOf(chain.links) }}
    </p>
    <template v-else>
      <p>
        <b
          >{{ CLOSING_NOTE.is(chain.name) }} <span class="figure">{{ fixDigits(Math.abs(at.off), 2) }}</span>
          {{ CLOSING_NOTE.linksMmTheDriveAs(fixDigits(Math.abs(at.mm), 1), at.off > 0) }}</b
        >
      </p>
      <template v-if="shifts">
        <p class="mt-1">{{ CLOSING_NOTE.theSmallestShiftThatCloses }}</p>
        <ul>
          <li v-for="shift in shifts" :key="shift.sprocket">
            {{ partName(sheet, shift.sprocket) }}: <span class="figure font-normal">{{ byHow(shift) }}</span>
          </li>
        </ul>
        <button type="button" class="act mt-2" data-testid="take-correction" @click="take(shifts, sheet)">
          {{ CLOSING_NOTE.takeThisCorrection }}
        </button>
      </template>
      <p v-else class="mt-1">
        {{ CLOSING_NOTE.noSmallShiftClosesIt }}
      </p>
    </template>
  </Panel>
</template>

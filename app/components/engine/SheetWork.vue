<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, SHEET_WORK } from '../../../words/en'
import type { DriveSheet, Torque } from '../../../core/sheet'
import { fixDigits, partName } from '../../words'
import Caution from '../parts/Caution.vue'
import FigureTable from '../parts/FigureTable.vue'

/** What the work takes: operations, parts and always-renewed items with prices, torques in steps, cautions. */
const props = defineProps<{ sheet: DriveSheet }>()
const operationName = (id: string) => props.sheet.operations?.find((o) => o.id === id)?.name ?? id
const names = (ids: readonly string[]) => ids.map((id) => midSentence(operationName(id))).join(', ') || '—'
const steps = (torque: Torque) =>
  torque.steps
    .map((step) => ('degrees' in step ? `${step.degrees}°` : `${step.newtonMetres} N·m`))
    .join(SHEET_WORK.then)
/** A caution stands at an operation or at a part. */
const called = (id: string) =>
  props.sheet.operations?.some((o) => o.id === id) ? operationName(id) : partName(props.sheet, id)
const currency = props.sheet.money?.currency ?? ''
</script>

<template>
  <div
    v-if="sheet.operations?.length || sheet.parts?.length || sheet.torques?.length"
    class="mt-6 grid grid-cols-2 gap-6 max-lg:grid-cols-1">
    <FigureTable
      v-if="sheet.operations?.length"
      class="self-start"
      :caption="SHEET_WORK.operations"
      shown
      :heads="[SHEET_WORK.operation, COMMON.hours, SHEET_WORK.comesAfter]">
      <tr v-for="one in sheet.operations" :key="one.id">
        <td>{{ one.name }}</td>
        <td class="figure">{{ fixDigits(one.hours, 1) }}</td>
        <td class="text-note">{{ names(one.requires) }}</td>
      </tr>
    </FigureTable>
    <div class="space-y-5">
      <FigureTable
        v-if="sheet.parts?.length"
        :caption="sheet.money ? SHEET_WORK.partsLabourAnHour(sheet.money.hourRate, currency) : COMMON.parts"
        shown
        :heads="[COMMON.part, SHEET_WORK.price, COMMON.hours]">
        <tr v-for="one in sheet.parts" :key="one.id">
          <td>
            {{ one.name
            }}<span class="block text-note text-faint">{{
              [SHEET_WORK.for(midSentence(partName(sheet, one.fits))), one.number, one.supplier, one.stock]
                .filter(Boolean)
                .join(', ')
            }}</span>
          </td>
          <td class="figure">{{ one.price }} {{ currency }}</td>
          <td class="figure font-normal">{{ fixDigits(one.hours, 1) }}</td>
        </tr>
      </FigureTable>
      <FigureTable v-if="sheet.torques?.length" :caption="SHEET_WORK.torques" shown>
        <tr v-for="one in sheet.torques" :key="one.id">
          <td>
            {{ one.count ? `${one.count} × ` : '' }}{{ one.bolt
            }}<span v-if="one.stretch || one.leftHand" class="block text-note font-bold">{{
              [one.stretch ? SHEET_WORK.stretchBoltRenewedEachTime : '', one.leftHand ? SHEET_WORK.leftHandThread : '']
                .filter(Boolean)
                .join('; ')
            }}</span>
          </td>
          <td class="figure font-normal">{{ steps(one) }}</td>
        </tr>
      </FigureTable>
      <ul v-if="sheet.cautions?.length" class="space-y-2">
        <li v-for="one in sheet.cautions" :key="one.text">
          <Caution :lead="one.at ? `${called(one.at)}:` : ''">{{ one.text }}</Caution>
        </li>
      </ul>
    </div>
  </div>
</template>

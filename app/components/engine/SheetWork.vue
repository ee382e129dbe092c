<script setup lang="ts">
import type { DriveSheet, Torque } from '../../../core/sheet'
import { fixDigits, partName } from '../../words'

/** What the work takes: operations, parts and always-renewed items with prices, torques in steps, cautions. */
const props = defineProps<{ sheet: DriveSheet }>()
const operationName = (id: string) => props.sheet.operations?.find((o) => o.id === id)?.name ?? id
const names = (ids: readonly string[]) => ids.map((id) => operationName(id).toLowerCase()).join(', ') || '—'
const steps = (torque: Torque) =>
  torque.steps.map((step) => ('degrees' in step ? `${step.degrees}°` : `${step.newtonMetres} N·m`)).join(', then ')
const currency = props.sheet.money?.currency ?? ''
</script>

<template>
  <div
    v-if="sheet.operations?.length || sheet.parts?.length || sheet.torques?.length"
    class="mt-6 grid grid-cols-2 gap-6 max-lg:grid-cols-1 [&_td]:py-1 [&_td]:pr-3 [&_th]:pr-3 [&_th]:font-normal [&_th]:text-faint [&_tr]:border-b [&_tr]:border-rule/60">
    <table v-if="sheet.operations?.length" class="w-full self-start text-left">
      <caption class="text-left font-bold">
        Operations
      </caption>
      <thead>
        <tr>
          <th>Operation</th>
          <th>Hours</th>
          <th>Comes after</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in sheet.operations" :key="one.id">
          <td>{{ one.name }}</td>
          <td class="figure">{{ fixDigits(one.hours, 1) }}</td>
          <td class="text-note">{{ names(one.requires) }}</td>
        </tr>
      </tbody>
    </table>
    <div class="space-y-5">
      <table v-if="sheet.parts?.length" class="w-full text-left">
        <caption class="text-left font-bold">
          Parts<span v-if="sheet.money" class="font-normal text-faint">
            (labour {{ sheet.money.hourRate }} {{ currency }} an hour)</span
          >
        </caption>
        <thead>
          <tr>
            <th>Part</th>
            <th>Price</th>
            <th>Hours</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in sheet.parts" :key="one.id">
            <td>
              {{ one.name
              }}<span class="block text-note text-faint">for {{ partName(sheet, one.fits).toLowerCase() }}</span>
            </td>
            <td class="figure">{{ one.price }} {{ currency }}</td>
            <td class="figure font-normal">{{ fixDigits(one.hours, 1) }}</td>
          </tr>
        </tbody>
      </table>
      <table v-if="sheet.torques?.length" class="w-full text-left">
        <caption class="text-left font-bold">
          Torques
        </caption>
        <tbody>
          <tr v-for="one in sheet.torques" :key="one.id">
            <td>
              {{ one.count ? `${one.count} × ` : '' }}{{ one.bolt
              }}<span v-if="one.stretch || one.leftHand" class="block text-note font-bold">{{
                [one.stretch ? 'stretch bolt, renewed each time' : '', one.leftHand ? 'left-hand thread' : '']
                  .filter(Boolean)
                  .join('; ')
              }}</span>
            </td>
            <td class="figure font-normal">{{ steps(one) }}</td>
          </tr>
        </tbody>
      </table>
      <ul v-if="sheet.cautions?.length" class="space-y-2">
        <li v-for="one in sheet.cautions" :key="one.text" class="border-l-8 border-hazard bg-sheet p-2 text-body">
          <b v-if="one.at"
            >{{ sheet.operations?.some((o) => o.id === one.at) ? operationName(one.at) : partName(sheet, one.at) }}: </b
          >{{ one.text }}
        </li>
      </ul>
    </div>
  </div>
</template>

<script setup lang="ts">
import { UNIT_PICKER } from '../../../words/en'
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed } from 'vue'
import { useHand } from '../../hand'
import { chooseUnits, units } from '../../units'
import ChoiceRow from './ChoiceRow.vue'
import LanguagePicker from './LanguagePicker.vue'

const hand = useHand()
/** The units of this device; everything is stored metric. */
const length = computed({
  get: () => units.value.length,
  set: (value) => chooseUnits({ ...units.value, length: value })
})
const torque = computed({
  get: () => units.value.torque,
  set: (value) => chooseUnits({ ...units.value, torque: value })
})
const distance = computed({
  get: () => units.value.distance,
  set: (value) => chooseUnits({ ...units.value, distance: value })
})
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="act" data-testid="units">{{ units.length }}, {{ units.distance }}</PopoverButton>
    <PopoverPanel class="absolute right-0 z-30 mt-1 w-56 space-y-3 border border-faint bg-sheet p-3">
      <ChoiceRow
        v-model="length"
        :label="UNIT_PICKER.lengthsIn"
        :options="[
          { value: 'mm', label: UNIT_PICKER.millimetres },
          { value: 'in', label: UNIT_PICKER.inches }
        ]" />
      <ChoiceRow
        v-model="distance"
        :label="UNIT_PICKER.usageIn"
        :options="[
          { value: 'km', label: UNIT_PICKER.km },
          { value: 'mi', label: UNIT_PICKER.miles }
        ]" />
      <ChoiceRow
        v-model="torque"
        :label="UNIT_PICKER.torquesIn"
        :options="[
          { value: 'N·m', label: 'N·m' },
          { value: 'lb·ft', label: UNIT_PICKER.lbFt }
        ]" />
      <ChoiceRow
        v-model="hand"
        :label="UNIT_PICKER.readingSheet"
        :options="[
          { value: 'left', label: UNIT_PICKER.left },
          { value: 'right', label: UNIT_PICKER.right }
        ]" />
      <LanguagePicker />
      <p class="text-note text-faint">
        {{ UNIT_PICKER.hoursStayHoursKeptMetric }}
      </p>
    </PopoverPanel>
  </Popover>
</template>

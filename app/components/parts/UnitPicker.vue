<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { computed } from 'vue'
import { chooseUnits, units } from '../../units'
import ChoiceRow from './ChoiceRow.vue'

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
        label="Lengths in"
        :options="[
          { value: 'mm', label: 'millimetres' },
          { value: 'in', label: 'inches' }
        ]" />
      <ChoiceRow
        v-model="distance"
        label="Usage in"
        :options="[
          { value: 'km', label: 'km' },
          { value: 'mi', label: 'miles' }
        ]" />
      <ChoiceRow
        v-model="torque"
        label="Torques in"
        :options="[
          { value: 'N·m', label: 'N·m' },
          { value: 'lb·ft', label: 'lb·ft' }
        ]" />
      <p class="text-note text-faint">
        Hours stay hours. Kept metric, whatever is shown; reasons in a verdict are metric.
      </p>
    </PopoverPanel>
  </Popover>
</template>

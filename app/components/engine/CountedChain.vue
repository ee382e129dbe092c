<script setup lang="ts">
import { COMMON, NEW_ENGINE } from '../../../words/en'
import { computed } from 'vue'
import ChoiceRow from '../parts/ChoiceRow.vue'
import Field from '../parts/Field.vue'
import { FIRST_CHAIN, type TypedChain } from './answers'
import ChainPicture from './ChainPicture.vue'
import MarkPicker from './MarkPicker.vue'

/** One chain of an engine as it can be counted: what drives it and what it drives, its links, its tensioner. */
defineProps<{
  /** The first is 0. */
  index: number
  /** Shafts that may drive it. */
  drivers: readonly { value: string; label: string }[]
  banked: boolean
  fault: (field: string) => string | undefined
}>()
const emit = defineEmits<{ remove: [] }>()
const chain = defineModel<TypedChain>({ required: true })
const NUMBER = { figure: true, inputmode: 'decimal', maxlength: '120' } as const

const count = computed({
  get: () => String(chain.value.driven.length),
  set: (wanted) => {
    const { driven, counts } = chain.value
    const names = NEW_ENGINE.camNames
    chain.value.driven = Array.from(
      { length: Number(wanted) },
      (_, i) => driven[i] ?? { ...FIRST_CHAIN.driven[0]!, name: names[i]! }
    )
    chain.value.counts = Array.from({ length: Number(wanted) + 1 }, (_, i) => counts[i] ?? '')
  }
})
const driverName = computed(() => (chain.value.driver === 'crank' ? NEW_ENGINE.crank : NEW_ENGINE.driver))
const runs = computed(() =>
  chain.value.counts.map((_, i) =>
    NEW_ENGINE.run(
      i,
      chain.value.driven.map(({ name }) => name),
      driverName.value
    )
  )
)
const counted = computed(() => chain.value.counts.reduce((sum, links) => sum + (Number(links) || 0), 0))
/** Figures of the tensioner, and how long the chain may become. */
const figures = computed(() => {
  const limit = { key: 'elongationLimit', label: NEW_ENGINE.elongationLimit, unit: '%' } as const
  if (chain.value.place === 'none') return [limit]
  return [
    { key: 'newExtension', label: NEW_ENGINE.extensionNewDrive, unit: 'mm' },
    { key: 'limitExtension', label: NEW_ENGINE.extensionAtTheLimit, unit: 'mm' },
    { key: 'stroke', label: COMMON.stroke, unit: 'mm' },
    limit,
    { key: 'notchFirst', label: NEW_ENGINE.firstNotchAtIfAny, unit: 'mm' },
    { key: 'notchPitch', label: NEW_ENGINE.notchToNotch, unit: 'mm' }
  ] as const
})
const hasCam = computed(() => chain.value.driven.some(({ use }) => use === 'cam'))
</script>

<template>
  <fieldset class="grid grid-cols-4 gap-3 bg-sheet p-4 max-md:grid-cols-2" :data-testid="`chain-${index}`">
    <legend class="label float-left col-span-full mb-1 font-bold text-ink">
      {{ index === 0 ? NEW_ENGINE.theChain : NEW_ENGINE.chainNumber(index + 1) }}
    </legend>
    <template v-if="index > 0">
      <Field class="col-span-2" :label="NEW_ENGINE.drivenBy" :fault="fault('driver')">
        <template #default="{ control }">
          <select v-model="chain.driver" v-bind="control">
            <option v-for="{ value, label } in drivers" :key="value" :value="value">{{ label }}</option>
          </select>
        </template>
      </Field>
      <button type="button" class="act-bare col-span-2 self-end justify-self-end" @click="emit('remove')">
        {{ NEW_ENGINE.removeChain }}
      </button>
    </template>
    <ChoiceRow
      v-model="chain.chainType"
      class="col-span-full"
      :label="NEW_ENGINE.chainType"
      :options="NEW_ENGINE.chainTypes">
      <template #picture="{ value }"><ChainPicture :type="value" /></template>
    </ChoiceRow>
    <Field v-model="chain.pitch" v-bind="NUMBER" :label="NEW_ENGINE.pitch" unit="mm" :fault="fault('pitch')" />
    <Field v-model="chain.links" v-bind="NUMBER" :label="NEW_ENGINE.links" :fault="fault('links')" />
    <Field
      v-model="chain.driverTeeth"
      v-bind="NUMBER"
      :label="chain.driver === 'crank' ? NEW_ENGINE.teethCrankSprocket : NEW_ENGINE.teethDriver"
      :fault="fault('driverTeeth')" />
    <Field
      v-if="hasCam"
      v-model="chain.camTeeth"
      v-bind="NUMBER"
      :label="NEW_ENGINE.teethEachCam"
      :fault="fault('camTeeth') ?? fault('teeth.0')" />
    <ChoiceRow
      v-model="count"
      class="col-span-2"
      :label="NEW_ENGINE.drivenOnThisChain"
      :options="['1', '2', '3', '4'].map((value) => ({ value, label: value }))" />
    <ChoiceRow
      v-if="banked"
      v-model="chain.bank"
      class="col-span-2"
      :label="NEW_ENGINE.bankOfCams"
      :options="NEW_ENGINE.banks" />
    <MarkPicker v-model="chain.driverMark" class="col-span-2 col-start-1" :label="NEW_ENGINE.markOf(driverName)" />
    <div
      v-for="(sprocket, i) in chain.driven"
      :key="`driven-${i}`"
      class="col-span-full grid grid-cols-4 items-end gap-3 border-t border-rule/60 pt-2 max-md:grid-cols-2">
      <Field
        v-model="sprocket.name"
        :label="NEW_ENGINE.drivenFromTheSlackSide(i + 1)"
        :fault="fault(`name.${i}`)"
        maxlength="120" />
      <Field :label="NEW_ENGINE.itIs(sprocket.name || i + 1)">
        <template #default="{ control }">
          <select v-model="sprocket.use" v-bind="control">
            <option v-for="{ value, label } in NEW_ENGINE.uses" :key="value" :value="value">{{ label }}</option>
          </select>
        </template>
      </Field>
      <Field
        v-if="sprocket.use === 'shaft'"
        v-model="sprocket.teeth"
        v-bind="NUMBER"
        :label="NEW_ENGINE.teethOf(sprocket.name || i + 1)"
        :fault="fault(`teeth.${i}`)" />
      <MarkPicker
        v-model="sprocket.mark"
        class="col-start-4 max-md:col-span-2 max-md:col-start-1"
        :label="NEW_ENGINE.markOf(sprocket.name || i + 1)" />
    </div>
    <div class="col-span-full grid grid-cols-4 gap-3 border-t border-rule pt-3 max-md:grid-cols-2">
      <p class="label col-span-full">{{ NEW_ENGINE.wholeLinksFromMarkTo }}</p>
      <Field
        v-for="(_, i) in chain.counts"
        :key="`count-${i}`"
        v-model="chain.counts[i]!"
        v-bind="NUMBER"
        :label="runs[i]!" />
      <p class="col-span-full text-note" :class="fault('counts') ? 'font-bold text-renew' : 'text-faint'">
        {{ fault('counts') ?? NEW_ENGINE.togetherOfLinks(counted, chain.links || '?') }}
      </p>
    </div>
    <div class="col-span-full grid grid-cols-4 gap-3 border-t border-rule pt-3 max-md:grid-cols-2">
      <ChoiceRow
        v-model="chain.place"
        class="col-span-full"
        :label="NEW_ENGINE.tensionerWorks"
        :options="NEW_ENGINE.places" />
      <Field
        v-for="{ key, label, unit } in figures"
        :key="key"
        v-model="chain[key]"
        v-bind="NUMBER"
        :label="label"
        :unit="unit"
        :fault="fault(key)" />
    </div>
  </fieldset>
</template>

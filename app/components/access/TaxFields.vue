<script setup lang="ts">
import { TAX_FORM } from '../../../words/en'
import { computed } from 'vue'
import type { Tax } from '../../../core/money'
import { readWritten } from '../../../core/readings'
import ChoiceRow from '../parts/ChoiceRow.vue'
import Field from '../parts/Field.vue'

/** The workshop's tax: rates, whether prices hold it, what is rounded, and which rate each kind of line has. */
const tax = defineModel<Tax>({ required: true })
defineProps<{ faults: Readonly<Record<string, string>> }>()
const change = (more: Partial<Tax>) => (tax.value = { ...tax.value, ...more })

const included = computed({
  get: () => (tax.value.included ? ('yes' as const) : ('no' as const)),
  set: (value) => change({ included: value === 'yes' })
})
const rounded = computed({ get: () => tax.value.rounded, set: (value) => change({ rounded: value }) })
const KINDS = ['labour', 'parts', 'items'] as const

function addRate() {
  const { rates } = tax.value
  const ids = rates.map(({ id }) => id)
  const id = Array.from({ length: 9 }, (_, i) => `rate-${i + 1}`).find((one) => !ids.includes(one))!
  const first = rates.length === 0 ? { labour: id, parts: id, items: id } : {}
  change({ rates: [...rates, { id, name: TAX_FORM.newRate, percent: 0 }], ...first })
}
/** Lines of a kind that had the rate are without tax from then on. */
function removeRate(id: string) {
  const left = Object.fromEntries(
    KINDS.map((kind) => [kind, tax.value[kind] === id ? null : (tax.value[kind] ?? null)])
  )
  change({ rates: tax.value.rates.filter((rate) => rate.id !== id), ...left })
}
const changeRate = (id: string, more: { name?: string; percent?: number | string }) =>
  change({ rates: tax.value.rates.map((rate) => (rate.id === id ? ({ ...rate, ...more } as typeof rate) : rate)) })
const percentOf = (text: string) => readWritten(text)?.value ?? text
</script>

<template>
  <div class="space-y-3">
    <fieldset>
      <legend class="label">{{ TAX_FORM.rates }}</legend>
      <p v-if="tax.rates.length === 0" class="text-note text-faint">{{ TAX_FORM.noRates }}</p>
      <div v-for="(rate, i) in tax.rates" :key="rate.id" class="mt-2 flex items-end gap-2" data-testid="tax-rate">
        <Field
          class="flex-1"
          :model-value="rate.name"
          :label="TAX_FORM.rateName"
          maxlength="40"
          :fault="faults[`tax.rates[${i}].name`]"
          @update:model-value="(value) => changeRate(rate.id, { name: String(value) })" />
        <Field
          class="w-28"
          :model-value="String(rate.percent)"
          :label="TAX_FORM.percent"
          figure
          inputmode="decimal"
          maxlength="8"
          :fault="faults[`tax.rates[${i}].percent`]"
          @change="
            (event: Event) => changeRate(rate.id, { percent: percentOf((event.target as HTMLInputElement).value) })
          " />
        <button type="button" class="act-bare" @click="removeRate(rate.id)">
          {{ TAX_FORM.removeRate(rate.name) }}
        </button>
      </div>
      <button v-if="tax.rates.length < 8" type="button" class="act mt-2" @click="addRate">
        {{ TAX_FORM.addRate }}
      </button>
    </fieldset>
    <template v-if="tax.rates.length">
      <ChoiceRow v-model="included" :label="TAX_FORM.included" :options="TAX_FORM.includedWays" />
      <ChoiceRow v-model="rounded" :label="TAX_FORM.rounded" :options="TAX_FORM.roundedWays" />
      <Field v-for="kind in KINDS" :key="kind" :label="TAX_FORM[kind]" :fault="faults[`tax.${kind}`]">
        <template #default="{ control }">
          <select
            v-bind="control"
            :value="tax[kind] ?? ''"
            @change="(event) => change({ [kind]: (event.target as HTMLSelectElement).value || null })">
            <option value="">{{ TAX_FORM.none }}</option>
            <option v-for="rate in tax.rates" :key="rate.id" :value="rate.id">{{ rate.name }}</option>
          </select>
        </template>
      </Field>
    </template>
  </div>
</template>

<script setup lang="ts">
import { COMMON, PRICING_SHEET } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import { defaultAssumptions, overlaid, type Paths, type Pricing } from '../../../core/paths'
import { useCurrency } from '../../composables/useCurrency'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { shownProblem } from '../../problem'
import { partName, USAGE_UNITS } from '../../words'
import { largeNumberOf, numberOf } from '../bench/draft'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/**
 * What the paths are priced with: each figure says whether it is a default, the sheet's, the shop's or this job's, and
 * can be changed for this job.
 */
const props = defineProps<{ paths: Paths }>()
const job = useOpenJob()
const bench = useBench()
const faults = ref<Record<string, string>>({})

type From = keyof typeof PRICING_SHEET.from
/** Where the odds of a part come from. */
const ORIGIN = { said: 'job', measured: 'measured', 'by usage': 'usage' } as const
interface Row {
  key: string
  label: string
  unit: string
  value: number
  from: From
}
const sheet = computed(() => job.job.sheet)
const currency = useCurrency()
const said = computed<Pricing>(() => job.record.pricing ?? {})
const shop = computed<Pricing>(() => job.job.known?.pricing ?? {})
const defaults = computed(() => defaultAssumptions(sheet.value, job.job.usage.unit))
const plainKeys = ['horizon', 'hourRate', 'newPart', 'damage'] as const
const from = (key: (typeof plainKeys)[number]): From =>
  said.value[key] !== undefined
    ? 'job'
    : shop.value[key] !== undefined
      ? 'shop'
      : key === 'hourRate' && sheet.value.money
        ? 'sheet'
        : 'default'
const fromList = (list: 'prices' | 'hours', id: string): From =>
  said.value[list]?.[id] !== undefined ? 'job' : shop.value[list]?.[id] !== undefined ? 'shop' : 'sheet'
const effective = computed(() => overlaid(shop.value, said.value))

const assumptions = computed<Row[]>(() =>
  plainKeys.map((key) => ({
    key,
    from: from(key),
    value: effective.value[key] ?? (key === 'horizon' ? props.paths.assumptions.horizon : defaults.value[key]),
    label: {
      horizon: PRICING_SHEET.heldAgainstFromNow,
      hourRate: PRICING_SHEET.labourAnHour,
      newPart: PRICING_SHEET.oddsThatANewPart,
      damage: PRICING_SHEET.whatAFailureBreaksBesides
    }[key],
    unit: {
      horizon: USAGE_UNITS[job.job.usage.unit],
      hourRate: currency.value,
      newPart: '0 to 1',
      damage: currency.value
    }[key]
  }))
)
const prices = computed<Row[]>(() =>
  [...(sheet.value.parts ?? []), ...(sheet.value.alwaysRenewed ?? [])].map(({ id, name, price }) => ({
    key: `prices.${id}`,
    label: name,
    unit: currency.value,
    value: effective.value.prices?.[id] ?? price,
    from: fromList('prices', id)
  }))
)
const hours = computed<Row[]>(() =>
  [...(sheet.value.operations ?? []), ...(sheet.value.parts ?? []).filter((p) => p.hours > 0)].map(
    ({ id, name, hours: h }) => ({
      key: `hours.${id}`,
      label: name,
      unit: 'h',
      value: effective.value.hours?.[id] ?? h,
      from: fromList('hours', id)
    })
  )
)
const odds = computed<Row[]>(() =>
  Object.entries(props.paths.kept).map(([id, { odds: value, basis }]) => ({
    key: `odds.${id}`,
    label: PRICING_SHEET.kept(partName(sheet.value, id)),
    unit: '0 to 1',
    value: Number(value.toFixed(3)),
    from: ORIGIN[basis]
  }))
)
const groups = computed(() => [
  { key: 'assumptions', title: PRICING_SHEET.assumptions, rows: assumptions.value },
  { key: 'odds', title: PRICING_SHEET.oddsOfComingBackPart, rows: odds.value },
  { key: 'prices', title: PRICING_SHEET.prices, rows: prices.value },
  { key: 'hours', title: COMMON.hours, rows: hours.value }
])
const months = ref('')
const aMonth = ref('')
const kept = ref('')

/** A horizon named in months, at so much usage a month. */
function nameMonths() {
  const [count, each] = [numberOf(months.value), largeNumberOf(aMonth.value)]
  const fault = count === null || each === null || !(count > 0 && each > 0)
  faults.value = { ...faults.value, months: fault ? PRICING_SHEET.writeTheMonthsAndThe : '' }
  if (!fault) job.put({ type: 'pricing', pricing: changed('horizon', undefined, Math.round(count * each)) })
}

/** Keeps the assumptions as they are here for jobs opened from now on. */
async function keepForShop() {
  try {
    const { horizon, hourRate, newPart, damage } = Object.fromEntries(
      assumptions.value.map(({ key, value }) => [key, value])
    )
    const now = await $fetch<{ horizons?: object }>('/api/pricing')
    await $fetch('/api/pricing', {
      method: 'POST',
      body: { hourRate, newPart, damage, horizons: { ...now.horizons, [job.job.usage.unit]: horizon } }
    })
    kept.value = PRICING_SHEET.keptJobsOpenedFromNow
  } catch (error) {
    kept.value = shownProblem(error).message
  }
}

/** Figures that are written with thousands. */
const LARGE: readonly string[] = ['horizon', 'hourRate', 'damage', 'prices']
const MOST: Record<string, number> = {
  newPart: 1,
  odds: 1,
  horizon: 1e7,
  hourRate: 10_000,
  damage: 1e7,
  prices: 1e6,
  hours: 200
}

/** What is being typed, until it is entered: what is computed meanwhile does not take it away. */
const typing = ref<Record<string, string>>({})

function change(row: Row, typed: string) {
  const [list, id] = row.key.split('.') as [string, string | undefined]
  const value = typed.trim() === '' ? undefined : LARGE.includes(list) ? largeNumberOf(typed) : numberOf(typed)
  if (value === null || (value !== undefined && !(value >= 0 && value <= MOST[list]!))) {
    faults.value = { ...faults.value, [row.key]: PRICING_SHEET.expectedANumberFrom0(MOST[list]!) }
    return
  }
  const { [row.key]: _gone, ...others } = faults.value
  faults.value = others
  const { [row.key]: _entered, ...stillTyped } = typing.value
  typing.value = stillTyped
  job.put({ type: 'pricing', pricing: changed(list, id, value) })
}

/** The job's pricing with one figure set, or left to shop and sheet again. */
function changed(list: string, id: string | undefined, value: number | undefined): Pricing {
  const next: Record<string, unknown> = JSON.parse(JSON.stringify(said.value)) as Record<string, unknown>
  const holder = id ? ((next[list] ??= {}) as Record<string, unknown>) : next
  if (value === undefined) Reflect.deleteProperty(holder, id ?? list)
  else holder[id ?? list] = value
  if (id && Object.keys(holder).length === 0) Reflect.deleteProperty(next, list)
  return next as Pricing
}
</script>

<template>
  <details class="bg-sheet" data-testid="pricing">
    <summary class="min-h-11 cursor-pointer px-4 py-3 font-bold">
      {{ PRICING_SHEET.pricesHoursAndOddsThese }}
    </summary>
    <div class="grid grid-cols-2 gap-6 p-4 max-lg:grid-cols-1">
      <section v-for="group in groups" :key="group.key">
        <h3 class="font-bold">{{ group.title }}</h3>
        <form
          v-if="group.key === 'assumptions' && bench.by"
          class="flex flex-wrap items-end gap-2 py-1"
          @submit.prevent="nameMonths">
          <Field
            v-model="months"
            :label="PRICING_SHEET.orInMonths"
            figure
            class="w-24"
            inputmode="decimal"
            maxlength="5"
            :fault="faults.months" />
          <Field
            v-model="aMonth"
            :label="PRICING_SHEET.aMonth(USAGE_UNITS[job.job.usage.unit])"
            figure
            class="w-32"
            inputmode="decimal"
            maxlength="8" />
          <button type="submit" class="act">{{ PRICING_SHEET.holdAgainstThat }}</button>
        </form>
        <div
          v-for="row in group.rows"
          :key="row.key"
          class="grid grid-cols-[1fr_96px_64px] items-center gap-2 border-t border-rule/60 py-1">
          <label :for="`p-${row.key}`" class="text-body">{{ row.label }}, {{ row.unit }}</label>
          <input
            :id="`p-${row.key}`"
            class="figure field text-right"
            inputmode="decimal"
            maxlength="10"
            :value="typing[row.key] ?? String(row.value)"
            :disabled="!bench.by"
            :aria-invalid="!!faults[row.key]"
            @input="typing[row.key] = ($event.target as HTMLInputElement).value"
            @change="change(row, ($event.target as HTMLInputElement).value)" />
          <span class="text-mark" :class="row.from === 'job' ? 'font-bold' : 'text-faint'">{{
            PRICING_SHEET.from[row.from]
          }}</span>
          <FaultNote v-if="faults[row.key]" class="col-span-full text-note">{{ faults[row.key] }}</FaultNote>
        </div>
      </section>
    </div>
    <p v-if="bench.by" class="px-4">
      <button type="button" class="act" data-testid="keep-shop" @click="keepForShop">
        {{ PRICING_SHEET.useTheseAssumptionsForNew }}</button>{{ ' ' }}<span role="status">{{ kept }}</span>
    </p>
    <p class="px-4 py-3 text-note text-faint">
      {{ PRICING_SHEET.anEmptiedFieldGoesBack }}
    </p>
  </details>
</template>

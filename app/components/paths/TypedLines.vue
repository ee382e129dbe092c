<script setup lang="ts">
import { ESTIMATE_PAGE } from '../../../words/en'
import { reactive, ref, watch } from 'vue'
import { readWritten } from '../../../core/readings'
import { useWorkshop } from '../../composables/useWorkshop'
import { useOpenJob } from '../../stores/job'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'

/** Lines of the estimate that somebody types. */
interface Typed {
  kind: 'labour' | 'part' | 'item'
  text: string
  quantity: string
  price: string
  rate: string
  number: string
  supplier: string
}
const job = useOpenJob()
const workshop = useWorkshop()
const lines = reactive<Typed[]>([])
const alone = ref(false)
const problem = ref('')
const kept = ref(false)
const fresh = (): Typed => ({ kind: 'labour', text: '', quantity: '1', price: '', rate: '', number: '', supplier: '' })

watch(
  () => job.record.estimate,
  (act) => {
    const known = (act?.lines ?? []).map(({ kind, text, quantity, price, rate = '', number = '', supplier = '' }) => ({
      kind,
      text,
      quantity: String(quantity),
      price: String(price),
      rate,
      number,
      supplier
    }))
    lines.splice(0, lines.length, ...known)
    alone.value = act?.alone ?? false
  },
  { immediate: true }
)

const numberOf = (text: string) =>
  text.trim().startsWith('-') ? negative(readWritten(text.trim().slice(1))?.value) : (readWritten(text)?.value ?? null)
const negative = (value: number | undefined) => (value === undefined ? null : -value)

function keep() {
  const read = lines.map((line) => ({ ...line, amount: numberOf(line.quantity), each: numberOf(line.price) }))
  const bad = read.some(({ text, amount, each }) => !text.trim() || amount === null || amount < 0 || each === null)
  problem.value = bad ? ESTIMATE_PAGE.notANumber : ''
  kept.value = !bad
  if (bad) return
  job.put({
    type: 'estimate',
    lines: read.map(({ kind, text, amount, each, rate, number, supplier }) => ({
      kind,
      text: text.trim(),
      quantity: amount!,
      price: each!,
      ...(rate ? { rate } : {}),
      ...(number.trim() ? { number: number.trim() } : {}),
      ...(supplier.trim() ? { supplier: supplier.trim() } : {})
    })),
    ...(alone.value ? { alone: true } : {})
  })
}
</script>

<template>
  <form class="space-y-3" novalidate data-testid="typed-lines" @submit.prevent="keep">
    <p class="text-note text-faint">{{ ESTIMATE_PAGE.typedSays }}</p>
    <fieldset v-for="(line, i) in lines" :key="i" class="grid grid-cols-6 gap-2 border-t border-rule pt-2">
      <Field class="col-span-2" :label="ESTIMATE_PAGE.kind">
        <template #default="{ control }">
          <select v-model="line.kind" v-bind="control">
            <option v-for="(label, kind) in ESTIMATE_PAGE.kinds" :key="kind" :value="kind">{{ label }}</option>
          </select>
        </template>
      </Field>
      <Field v-model="line.text" class="col-span-4" :label="ESTIMATE_PAGE.text" maxlength="200" />
      <Field
        v-model="line.quantity"
        class="col-span-2"
        :label="line.kind === 'labour' ? ESTIMATE_PAGE.hours : ESTIMATE_PAGE.quantity"
        figure
        inputmode="decimal"
        maxlength="12" />
      <Field
        v-model="line.price"
        class="col-span-2"
        :label="ESTIMATE_PAGE.price"
        :unit="workshop?.currency"
        figure
        inputmode="decimal"
        maxlength="12" />
      <Field class="col-span-2" :label="ESTIMATE_PAGE.rate">
        <template #default="{ control }">
          <select v-model="line.rate" v-bind="control">
            <option value="">{{ ESTIMATE_PAGE.usualRate }}</option>
            <option v-for="rate in workshop?.tax.rates" :key="rate.id" :value="rate.id">{{ rate.name }}</option>
          </select>
        </template>
      </Field>
      <template v-if="line.kind !== 'labour'">
        <Field v-model="line.number" class="col-span-3" :label="ESTIMATE_PAGE.number" maxlength="60" />
        <Field v-model="line.supplier" class="col-span-3" :label="ESTIMATE_PAGE.supplier" maxlength="80" />
      </template>
      <button type="button" class="act-bare col-span-6 justify-self-start" @click="lines.splice(i, 1)">
        {{ ESTIMATE_PAGE.removeLine(i + 1) }}
      </button>
    </fieldset>
    <label v-if="lines.length" class="flex min-h-11 items-center gap-2">
      <input v-model="alone" type="checkbox" class="size-5" />{{ ESTIMATE_PAGE.alone }}
    </label>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="act" @click="lines.push(fresh())">{{ ESTIMATE_PAGE.addLine }}</button>
      <button type="submit" class="act-main">{{ ESTIMATE_PAGE.keep }}</button>
    </div>
    <p v-if="kept" role="status">{{ ESTIMATE_PAGE.kept }}</p>
    <FaultNote v-if="problem">{{ problem }}</FaultNote>
  </form>
</template>

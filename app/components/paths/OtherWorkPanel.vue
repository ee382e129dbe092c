<script setup lang="ts">
import { OTHER_WORK } from '../../../words/en'
import { computed, reactive, ref } from 'vue'
import { otherWorkBeside } from '../../../core/paths'
import { readWritten } from '../../../core/readings'
import { useBench } from '../../stores/bench'
import { useOpenJob } from '../../stores/job'
import { fixDigits, money } from '../../words'
import FaultNote from '../parts/FaultNote.vue'
import Field from '../parts/Field.vue'
import FigureTable from '../parts/FigureTable.vue'

/** Other work that shares the access: what it costs beside the chosen path, and by itself later. */
const props = defineProps<{ operations: readonly string[]; hourRate: number; currency: string }>()
const job = useOpenJob()
const bench = useBench()
const form = reactive({ name: '', hours: '', price: '', needs: [] as string[] })
const fault = ref('')

const works = computed(() => job.record.pricing?.others ?? [])
const access = computed(() => job.job.sheet.operations ?? [])
const costs = computed(() => (job.file ? otherWorkBeside(job.file, works.value, props.operations, props.hourRate) : []))
const cost = ({ hours, price }: { hours: number; price: number }) =>
  `${money(price, props.currency)}, ${OTHER_WORK.inHours(fixDigits(hours, 1))}`

function keep(others: typeof works.value) {
  job.put({ type: 'pricing', pricing: { ...job.record.pricing, others: [...others] } })
}

function add() {
  const hours = readWritten(form.hours)?.value
  const price = form.price.trim() ? readWritten(form.price)?.value : 0
  fault.value = !form.name.trim()
    ? OTHER_WORK.writeAName
    : hours === undefined || hours > 200
      ? OTHER_WORK.writeHours
      : price === undefined
        ? OTHER_WORK.writePrice
        : ''
  if (fault.value || hours === undefined || price === undefined) return
  const id = `other-${works.value.reduce((most, one) => Math.max(most, Number(one.id.split('-')[1]) || 0), 0) + 1}`
  keep([...works.value, { id, name: form.name.trim(), hours, price, needs: [...form.needs] }])
  Object.assign(form, { name: '', hours: '', price: '', needs: [] })
}
</script>

<template>
  <section data-testid="other-work">
    <h2 class="text-xl font-bold">{{ OTHER_WORK.title }}</h2>
    <p class="text-note text-faint">{{ OTHER_WORK.says }}</p>
    <FigureTable
      v-if="costs.length"
      class="mt-2 bg-sheet [&_:is(td,th):first-child]:pl-3"
      :caption="OTHER_WORK.title"
      :heads="[OTHER_WORK.name, OTHER_WORK.now, OTHER_WORK.later, '']"
      :right-from="1">
      <tr v-for="one in costs" :key="one.id">
        <td>{{ one.name }}</td>
        <td class="text-right">{{ cost(one.now) }}</td>
        <td class="text-right">
          {{ cost(one.later)
          }}<span v-if="one.later.price > one.now.price" class="block text-note font-bold">{{
            OTHER_WORK.saves(money(one.later.price - one.now.price, currency))
          }}</span>
        </td>
        <td class="text-right">
          <button
            v-if="bench.by"
            type="button"
            class="act-bare"
            :aria-label="OTHER_WORK.remove(one.name)"
            @click="keep(works.filter(({ id }) => id !== one.id))">
            ×
          </button>
        </td>
      </tr>
    </FigureTable>
    <form v-if="bench.by" class="mt-2 space-y-2 bg-sheet p-3" novalidate @submit.prevent="add">
      <div class="grid grid-cols-[minmax(0,1fr)_120px_120px_auto] items-end gap-2 max-md:grid-cols-2">
        <Field v-model="form.name" :label="OTHER_WORK.name" maxlength="120" />
        <Field v-model="form.hours" :label="OTHER_WORK.hours" figure inputmode="decimal" />
        <Field v-model="form.price" :label="OTHER_WORK.price" figure inputmode="decimal" />
        <button type="submit" class="act">{{ OTHER_WORK.add }}</button>
      </div>
      <fieldset v-if="access.length">
        <legend class="label">{{ OTHER_WORK.reachedBy }}</legend>
        <div class="mt-1 flex flex-wrap gap-x-4">
          <label v-for="operation in access" :key="operation.id" class="flex min-h-11 items-center gap-2 text-note">
            <input v-model="form.needs" type="checkbox" class="size-5 accent-ink" :value="operation.id" />
            {{ operation.name }}
          </label>
        </div>
      </fieldset>
      <FaultNote v-if="fault">{{ fault }}</FaultNote>
    </form>
  </section>
</template>

<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { $fetch } from 'ofetch'
import { computed, reactive, ref, useId, watch } from 'vue'
import type { School, Usage } from '../../../core/job/types'
import { shownProblem, type ShownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import { SCHOOL_WORDS, USAGE_UNITS } from '../../words'
import { numberOf } from '../bench/draft'
import ChoiceRow from '../parts/ChoiceRow.vue'

/** A new job: vehicle, engine, usage, school. */
const open = defineModel<boolean>('open', { required: true })
const emit = defineEmits<{ made: [id: string] }>()

const id = useId()
const bench = useBench()
const sheets = ref<{ id: string; name: string }[]>([])
const form = reactive({ vehicle: '', stand: '', sheet: '', usage: '', unit: 'km' as Usage['unit'], school: 'on-evidence' as School, complaint: '' })
const problem = ref<ShownProblem | null>(null)
const busy = ref(false)
const whose = computed(() => bench.people.map((value) => ({ value, label: value })))
const schools = Object.entries(SCHOOL_WORDS).map(([value, label]) => ({ value: value as School, label }))
const units = Object.entries(USAGE_UNITS).map(([value, label]) => ({ value: value as Usage['unit'], label }))
const faultAt = (place: string) => problem.value?.faults.find((f) => f.place.startsWith(place))?.message ?? ''

watch(open, async (is) => {
  if (!is || sheets.value.length) return
  try {
    sheets.value = await $fetch<{ id: string; name: string }[]>('/api/sheets')
  } catch (error) {
    problem.value = shownProblem(error)
  }
})

async function make() {
  busy.value = true
  try {
    const { vehicle, stand, sheet, school, complaint, unit } = form
    const body = { vehicle, stand, sheet, school, complaint, openedBy: bench.by, usage: { value: numberOf(form.usage) ?? form.usage, unit } }
    const made = await $fetch<{ id: string }>('/api/jobs', { method: 'POST', body })
    emit('made', made.id)
  } catch (error) {
    problem.value = shownProblem(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="open = false">
    <div class="fixed inset-0 bg-plate/70" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-4">
      <DialogPanel class="w-full max-w-xl bg-sheet p-6">
        <DialogTitle class="text-2xl font-bold">New job</DialogTitle>
        <form class="mt-4 grid grid-cols-2 gap-4" novalidate @submit.prevent="make">
          <div>
            <label :for="`${id}-vehicle`" class="label">Vehicle or boat</label>
            <input :id="`${id}-vehicle`" v-model="form.vehicle" class="field mt-1" maxlength="120" :aria-invalid="!!faultAt('vehicle')">
            <p v-if="faultAt('vehicle')" class="text-[13px] font-bold text-renew">Name the vehicle.</p>
          </div>
          <div>
            <label :for="`${id}-stand`" class="label">Stand</label>
            <input :id="`${id}-stand`" v-model="form.stand" class="field mt-1" maxlength="60">
          </div>
          <div class="col-span-2">
            <label :for="`${id}-sheet`" class="label">Engine</label>
            <select :id="`${id}-sheet`" v-model="form.sheet" class="field mt-1" :aria-invalid="!!faultAt('sheet')">
              <option value="" disabled>Choose its drive sheet</option>
              <option v-for="sheet in sheets" :key="sheet.id" :value="sheet.id">{{ sheet.name }}</option>
            </select>
            <p v-if="faultAt('sheet')" class="text-[13px] font-bold text-renew">Choose an engine from the list.</p>
          </div>
          <div>
            <label :for="`${id}-usage`" class="label">Usage</label>
            <input :id="`${id}-usage`" v-model="form.usage" class="figure field mt-1" inputmode="decimal" maxlength="12" :aria-invalid="!!faultAt('usage')">
            <p v-if="faultAt('usage')" class="text-[13px] font-bold text-renew">Enter a number from 0 up.</p>
          </div>
          <ChoiceRow v-model="form.unit" label="In" :options="units" />
          <ChoiceRow v-model="form.school" class="col-span-2" label="Judged under" :options="schools" />
          <div class="col-span-2">
            <label :for="`${id}-complaint`" class="label">Complaint</label>
            <textarea :id="`${id}-complaint`" v-model="form.complaint" class="field mt-1 py-2" rows="2" maxlength="4000" />
          </div>
          <ChoiceRow v-if="!bench.by" v-model="bench.by" class="col-span-2" label="Who is at the bench?" :options="whose" />
          <p v-if="problem" class="col-span-2 font-bold text-renew" role="alert">{{ faultAt('openedBy') ? 'Choose who is at the bench.' : problem.message }}</p>
          <div class="col-span-2 flex gap-2">
            <button type="submit" class="act-main flex-1" :disabled="busy">Open the job</button>
            <button type="button" class="act" @click="open = false">Cancel</button>
          </div>
        </form>
      </DialogPanel>
    </div>
  </Dialog>
</template>

<script setup lang="ts">
import { COMMON, ERASING, MENTION_PLACES } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { ErasurePlan } from '../../../server/erasing/erase'
import { useAttempt } from '../../composables/useAttempt'
import { forgetAnswers } from '../../offline/answers'
import { useBench } from '../../stores/bench'
import Caution from '../parts/Caution.vue'
import Field from '../parts/Field.vue'
import FormEnd from '../parts/FormEnd.vue'
import ModalSheet from '../parts/ModalSheet.vue'

/** Erases a customer for good: first what goes and where else they are named, then their name typed once more. */
const props = defineProps<{ customer: { id: string; name: string } }>()
const open = defineModel<boolean>('open', { required: true })
const bench = useBench()
const plan = shallowRef<ErasurePlan | null>(null)
/** Mentions elsewhere that stay. */
const left = ref<string[]>([])
const typed = ref('')
const { problem, faults, busy, attempt } = useAttempt()
const path = `/api/customers/${props.customer.id}`
const sure = computed(() => typed.value.trim().toLowerCase() === props.customer.name.trim().toLowerCase())
onMounted(() => void attempt(async () => (plan.value = await $fetch<ErasurePlan>(`${path}/erasing`))))

async function erase() {
  const body = { by: bench.by, name: typed.value, left: left.value }
  const done = await attempt(() => $fetch(`${path}/erased`, { method: 'POST', body, retry: 0 }))
  if (!done) return
  await forgetAnswers({ signOutLater: false })
  await navigateTo('/customers')
}

function toggle(key: string, erased: boolean) {
  left.value = erased ? left.value.filter((one) => one !== key) : [...left.value, key]
}
</script>

<template>
  <ModalSheet :open="open" :title="ERASING.customer" width="max-w-2xl" @close="open = false">
    <form class="mt-3 space-y-4" novalidate data-testid="erase-customer" @submit.prevent="erase">
      <Caution :lead="ERASING.lead">{{ ERASING.says }}</Caution>
      <p v-if="!plan && !problem" role="status">{{ ERASING.looking }}</p>
      <template v-if="plan">
        <div>
          <h3 class="font-bold">{{ ERASING.goes }}</h3>
          <ul class="list-disc pl-5" data-testid="goes">
            <li>{{ plan.name }}</li>
            <li>{{ ERASING.vehicles(plan.vehicles.join(', ') || ERASING.noVehicle) }}</li>
            <li>{{ ERASING.counts(plan.jobs, plan.entries, plan.photos, plan.shares) }}</li>
            <li>{{ ERASING.more(plan.pastJobs, plan.cases) }}</li>
          </ul>
          <p v-if="plan.staying.length">{{ ERASING.staying(plan.staying.join(', ')) }}</p>
          <p class="text-faint">{{ ERASING.stays }}</p>
        </div>
        <fieldset v-if="plan.mentions.length">
          <legend class="font-bold">{{ ERASING.mentions(plan.mentions.length) }}</legend>
          <ul class="max-h-48 overflow-y-auto border border-rule" data-testid="mentions">
            <li v-for="mention in plan.mentions" :key="mention.key" class="border-b border-rule/60 last:border-b-0">
              <label class="flex min-h-11 items-center gap-3 px-2">
                <input
                  type="checkbox"
                  class="size-5 shrink-0"
                  :checked="!left.includes(mention.key)"
                  @change="toggle(mention.key, ($event.target as HTMLInputElement).checked)" />
                <span class="w-40 shrink-0 text-note text-faint">{{ MENTION_PLACES[mention.place] }}</span>
                <span class="min-w-0 break-words">{{ mention.excerpt }}</span>
              </label>
            </li>
          </ul>
        </fieldset>
        <p v-else class="text-faint">{{ ERASING.noMention }}</p>
        <Field v-model="typed" :label="ERASING.type(plan.name)" maxlength="120" :fault="faults.name" />
        <p v-if="!bench.by" class="border-l-4 border-brass bg-paper p-2">{{ COMMON.whoIsAtTheBench }}</p>
      </template>
      <FormEnd
        :label="ERASING.erase"
        :problem="problem"
        :disabled="busy || !plan || !sure || !bench.by"
        @cancel="open = false" />
    </form>
  </ModalSheet>
</template>

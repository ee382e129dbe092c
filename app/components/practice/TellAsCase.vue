<script setup lang="ts">
import { COMMON, TELL_AS_CASE } from '../../../words/en'
import { $fetch } from 'ofetch'
import { ref } from 'vue'
import type { KeptCase } from '../../../server/store/practice'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'
import Field from '../parts/Field.vue'

/** Turns a closed job into a practice case, without its vehicle, people and photos. */
const props = defineProps<{ job: string; complaint: string }>()
const bench = useBench()
const title = ref('')
const complaint = ref(props.complaint)
const problem = ref('')
const made = ref<KeptCase | null>(null)

async function tell() {
  problem.value = ''
  try {
    made.value = await $fetch<KeptCase>(`/api/jobs/${props.job}/practice`, {
      method: 'POST',
      body: { title: title.value.trim(), complaint: complaint.value.trim(), by: bench.by }
    })
  } catch (failure) {
    const { message, faults } = shownProblem(failure)
    problem.value = [message, ...faults.map(({ message: what }) => what)].join(' ')
  }
}
</script>

<template>
  <Panel :title="TELL_AS_CASE.tellItAsAPractice" data-testid="tell-as-case">
    <p v-if="made" role="status">
      {{ TELL_AS_CASE.standsAmongThe(made.title) }}
      <NuxtLink to="/practice" class="underline decoration-brass underline-offset-2">{{
        TELL_AS_CASE.casesOfTheWorkshop
      }}</NuxtLink>.
    </p>
    <form v-else class="mt-1 space-y-2" @submit.prevent="tell">
      <p class="text-body">
        {{ TELL_AS_CASE.whatWasReadBecomesThe }}
      </p>
      <Field v-model="title" :label="TELL_AS_CASE.title" maxlength="120" />
      <Field v-model="complaint" :label="COMMON.complaint" :rows="3" maxlength="4000" />
      <FaultNote v-if="problem">{{ problem }}</FaultNote>
      <button type="submit" class="act" :disabled="bench.by === ''">{{ TELL_AS_CASE.tellIt }}</button>
    </form>
  </Panel>
</template>

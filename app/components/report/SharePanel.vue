<script setup lang="ts">
import { $fetch } from 'ofetch'
import { onMounted, ref } from 'vue'
import type { ListedShare } from '../../../server/store/shares'
import { shownProblem } from '../../problem'
import { useBench } from '../../stores/bench'
import ChoiceRow from '../parts/ChoiceRow.vue'
import WhenAt from '../parts/WhenAt.vue'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'

/** Links to the report as it stands now: read only, they expire and can be taken back. */
const props = defineProps<{ jobId: string }>()
const bench = useBench()
const shares = ref<ListedShare[]>([])
const link = ref('')
const days = ref('14')
const problem = ref('')
const busy = ref(false)

async function attempt(work: () => Promise<void>) {
  busy.value = true
  problem.value = ''
  try {
    await work()
    shares.value = await $fetch<ListedShare[]>(`/api/jobs/${props.jobId}/shares`)
  } catch (error) {
    problem.value = shownProblem(error).message
  } finally {
    busy.value = false
  }
}

const share = () =>
  attempt(async () => {
    const { token } = await $fetch<{ token: string }>(`/api/jobs/${props.jobId}/shares`, {
      method: 'POST',
      body: { by: bench.by, days: Number(days.value) }
    })
    link.value = `${window.location.origin}/share/${token}`
  })
const revoke = (id: string) =>
  attempt(async () => {
    await $fetch(`/api/jobs/${props.jobId}/shares/${id}/revoke`, { method: 'POST', body: {} })
    link.value = ''
  })
const over = ({ expiresAt, revokedAt }: ListedShare) =>
  revokedAt ? 'taken back' : Date.parse(expiresAt) < Date.now() ? 'expired' : ''
onMounted(() => attempt(async () => undefined))
</script>

<template>
  <Panel title="A link for the customer" quiet label="Share the report" data-testid="shares">
    <p class="text-body">
      Shows this report as it stands now and nothing else of the workshop. The customer can choose a way on it.
    </p>
    <ChoiceRow
      v-model="days"
      class="mt-2"
      label="Good for"
      :options="[
        { value: '3', label: '3 days' },
        { value: '14', label: '14 days' },
        { value: '60', label: '60 days' }
      ]" />
    <button type="button" class="act-main mt-2 w-full" :disabled="busy || !bench.by" @click="share">Make a link</button>
    <p v-if="!bench.by" class="mt-1 text-note">Choose who is at the bench first.</p>
    <p v-if="link" class="mt-2 border-l-4 border-brass pl-2 text-note break-all" data-testid="link">
      <b>Shown once, copy it now:</b><br /><a :href="link" target="_blank" class="underline">{{ link }}</a>
    </p>
    <FaultNote v-if="problem" class="mt-2">{{ problem }}</FaultNote>
    <ul class="mt-2">
      <li
        v-for="one in shares"
        :key="one.id"
        class="flex min-h-11 items-center gap-2 border-t border-rule/60 text-body">
        <span class="flex-1"
          >{{ one.createdBy }}, <WhenAt :at="one.createdAt" /><span class="block text-note text-faint">{{
            over(one) || `until ${one.expiresAt.slice(0, 10)}`
          }}</span></span
        ><button v-if="!over(one)" type="button" class="act-bare" :disabled="busy" @click="revoke(one.id)">
          Take back
        </button>
      </li>
    </ul>
  </Panel>
</template>

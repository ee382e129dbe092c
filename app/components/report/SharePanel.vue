<script setup lang="ts">
import { COMMON, SHARE_PANEL } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { ListedShare, MadeShare } from '../../../server/store/shares'
import { customersOrigin } from '../../address'
import { useAttempt } from '../../composables/useAttempt'
import { useBench } from '../../stores/bench'
import ChoiceRow from '../parts/ChoiceRow.vue'
import WhenAt from '../parts/WhenAt.vue'
import FaultNote from '../parts/FaultNote.vue'
import Panel from '../parts/Panel.vue'
import FreshLink from './FreshLink.vue'

/** Links to the report as it stands now: read only, they expire and can be taken back. */
const props = defineProps<{ jobId: string }>()
const bench = useBench()
const shares = ref<ListedShare[]>([])
const fresh = shallowRef<MadeShare | null>(null)
const link = computed(() => (fresh.value ? `${customersOrigin()}/share/${fresh.value.token}` : ''))
const days = ref('14')
const { problem, busy, attempt } = useAttempt()

const refresh = async () => {
  shares.value = await $fetch<ListedShare[]>(`/api/jobs/${props.jobId}/shares`)
}
const share = () =>
  attempt(async () => {
    fresh.value = await $fetch<MadeShare>(`/api/jobs/${props.jobId}/shares`, {
      method: 'POST',
      body: { by: bench.by, days: Number(days.value) }
    })
    await refresh()
  })
const revoke = (id: string) =>
  attempt(async () => {
    await $fetch(`/api/jobs/${props.jobId}/shares/${id}/revoke`, { method: 'POST', body: {} })
    if (fresh.value?.id === id) fresh.value = null
    await refresh()
  })
const over = ({ expiresAt, revokedAt }: ListedShare) =>
  revokedAt ? SHARE_PANEL.takenBack : Date.parse(expiresAt) < Date.now() ? 'expired' : ''
onMounted(() => attempt(refresh))
</script>

<template>
  <Panel :title="SHARE_PANEL.aLinkForTheCustomer" quiet :label="SHARE_PANEL.shareTheReport" data-testid="shares">
    <p class="text-body">
      {{ SHARE_PANEL.showsThisReportAsIt }}
    </p>
    <ChoiceRow
      v-model="days"
      class="mt-2"
      :label="SHARE_PANEL.goodFor"
      :options="[
        { value: '3', label: SHARE_PANEL.n3Days },
        { value: '14', label: SHARE_PANEL.n14Days },
        { value: '60', label: SHARE_PANEL.n60Days }
      ]" />
    <button type="button" class="act-main mt-2 w-full" :disabled="busy || !bench.by" @click="share">
      {{ SHARE_PANEL.makeALink }}
    </button>
    <p v-if="!bench.by" class="mt-1 text-note">{{ SHARE_PANEL.chooseWhoIsAtThe }}</p>
    <FreshLink v-if="fresh" :key="fresh.id" :job-id="jobId" :share="fresh" :link="link" @mailed="refresh" />
    <FaultNote v-if="problem" class="mt-2">{{ problem }}</FaultNote>
    <ul class="mt-2">
      <li
        v-for="one in shares"
        :key="one.id"
        class="flex min-h-11 items-center gap-2 border-t border-rule/60 text-body">
        <span class="flex-1"
          >{{ one.createdBy }}, <WhenAt :at="one.createdAt" /><span class="block text-note text-faint">{{
            over(one) || SHARE_PANEL.until(one.expiresAt.slice(0, 10))
          }}</span
          ><span v-for="sent in one.mailed" :key="sent.at" class="block text-note text-faint"
            >{{ SHARE_PANEL.sentTo(sent.to, sent.by) }} <WhenAt :at="sent.at" /></span></span
        ><button v-if="!over(one)" type="button" class="act-bare" :disabled="busy" @click="revoke(one.id)">
          {{ COMMON.takeBack }}
        </button>
      </li>
    </ul>
  </Panel>
</template>

<script setup lang="ts">
import { COMMON, VEHICLE_PAGE } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import type { ListedJob } from '../../../server/store/summaries'
import NewJob from '../../components/board/NewJob.vue'
import CallMark from '../../components/parts/CallMark.vue'
import WhenAt from '../../components/parts/WhenAt.vue'
import UsageChart from '../../components/vehicle/UsageChart.vue'
import { tracks } from '../../components/vehicle/tracks'
import { shownProblem } from '../../problem'
import { STATE_WORDS, usageWords } from '../../words'
import FaultNote from '../../components/parts/FaultNote.vue'
import Panel from '../../components/parts/Panel.vue'
import Field from '../../components/parts/Field.vue'
import PageFrame from '../../components/parts/PageFrame.vue'

/** A vehicle: its measurements drawn over usage, and its jobs. */
const route = useRoute()
const { data, error, refresh } = await useFetch<{ id: string; name: string; note: string; jobs: ListedJob[] }>(
  () => `/api/vehicles/${String(route.params.id)}`,
  { deep: false }
)
const all = computed(() => tracks(data.value?.jobs ?? []))
const shown = ref(0)
const track = computed(() => all.value[shown.value] ?? all.value[0] ?? null)
const renaming = ref(false)
const form = ref({ name: '', note: '' })
const problem = ref('')
const making = ref(false)
const newest = computed(() => data.value?.jobs[0] ?? null)
useHead({ title: () => VEHICLE_PAGE.umbrette(data.value?.name ?? VEHICLE_PAGE.vehicle) })

function rename() {
  if (!data.value) return
  form.value = { name: data.value.name, note: data.value.note }
  problem.value = ''
  renaming.value = true
}

async function save() {
  try {
    await $fetch(`/api/vehicles/${String(route.params.id)}`, { method: 'POST', body: form.value })
    renaming.value = false
    await refresh()
  } catch (failure) {
    problem.value = shownProblem(failure).message
  }
}
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <template v-if="data">
      <div class="mb-4 flex flex-wrap items-center gap-3">
        <div class="min-w-0">
          <h1 class="text-2xl font-bold">{{ data.name }}</h1>
          <p v-if="newest" class="text-faint">
            {{ VEHICLE_PAGE.whenLastSeen(newest.sheet.name, usageWords(newest.usage)) }}
          </p>
          <p v-if="data.note" class="max-w-2xl">{{ data.note }}</p>
        </div>
        <button type="button" class="act ml-auto" @click="rename">{{ VEHICLE_PAGE.nameAndNote }}</button>
        <button type="button" class="act-main" @click="making = true">{{ COMMON.newJob }}</button>
      </div>
      <form
        v-if="renaming"
        class="mb-4 grid max-w-2xl gap-3 border-l-4 border-brass bg-sheet p-4"
        @submit.prevent="save">
        <Field v-model="form.name" :label="COMMON.name" maxlength="120" />
        <Field v-model="form.note" :label="VEHICLE_PAGE.noteForWhoeverHasIt" :rows="2" maxlength="2000" />
        <FaultNote v-if="problem">{{ problem }}</FaultNote>
        <div class="flex gap-2">
          <button type="submit" class="act">{{ COMMON.save }}</button><button
            type="button"
            class="act-bare"
            @click="renaming = false">
            {{ VEHICLE_PAGE.leaveAsItIs }}
          </button>
        </div>
      </form>
      <Panel
        v-if="track"
        class="grid grid-cols-[220px_minmax(0,1fr)] gap-6 max-md:grid-cols-1"
        :label="VEHICLE_PAGE.measurementsOverUsage">
        <div role="group" :aria-label="VEHICLE_PAGE.whatIsDrawn">
          <button
            v-for="(one, i) in all"
            :key="one.key"
            type="button"
            class="block min-h-11 w-full border-l-4 px-3 text-left"
            :class="one.key === track.key ? 'border-brass font-bold' : 'border-transparent text-faint'"
            :aria-pressed="one.key === track.key"
            @click="shown = i">
            {{ one.title }}
          </button>
        </div>
        <UsageChart :track="track" />
      </Panel>
      <p v-else class="bg-sheet p-6">{{ VEHICLE_PAGE.nothingHasBeenMeasuredOn }}</p>
      <h2 class="mt-6 mb-1 label">{{ VEHICLE_PAGE.jobs }}</h2>
      <ul>
        <li v-for="job in data.jobs" :key="job.id">
          <NuxtLink
            :to="`/jobs/${job.id}`"
            class="grid min-h-14 grid-cols-[150px_minmax(0,1fr)_230px_150px] items-center gap-6 border-t border-rule bg-sheet px-5 py-2 hover:border-brass max-md:grid-cols-1 max-md:gap-1"
            data-testid="vehicle-job">
            <p class="figure font-normal">{{ usageWords(job.usage) }}</p>
            <p class="line-clamp-2">{{ job.complaint || job.sheet.name }}</p>
            <p class="flex flex-wrap gap-x-3">
              <span
                v-for="{ call, parts } in job.readings > 0 ? job.calls : []"
                :key="call"
                class="inline-flex items-center gap-1"
                ><span class="figure">{{ parts }}</span
                ><CallMark :call="call" :size="16"
              /></span>
            </p>
            <p class="text-note text-faint">{{ STATE_WORDS[job.state].title }}, <WhenAt :at="job.openedAt" /></p>
          </NuxtLink>
        </li>
      </ul>
      <NewJob v-model:open="making" :vehicle="data.name" @made="(id) => navigateTo(`/jobs/${id}`)" />
    </template>
  </PageFrame>
</template>

<script setup lang="ts">
import { COMMON, VEHICLE_BOOK, VEHICLE_FORM, VEHICLE_PAGE, STATE_WORDS } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import type { Vehicle } from '../../../server/store/vehicles'
import NewJob from '../../components/board/NewJob.vue'
import PastJobForm from '../../components/books/PastJobForm.vue'
import VehicleForm from '../../components/books/VehicleForm.vue'
import FigureTable from '../../components/parts/FigureTable.vue'
import CallMark from '../../components/parts/CallMark.vue'
import WhenAt from '../../components/parts/WhenAt.vue'
import UsageChart from '../../components/vehicle/UsageChart.vue'
import { tracks } from '../../components/vehicle/tracks'
import { useAttempt } from '../../composables/useAttempt'
import { may } from '../../signedIn'
import { usageWords } from '../../words'
import FaultNote from '../../components/parts/FaultNote.vue'
import Panel from '../../components/parts/Panel.vue'
import PageFrame from '../../components/parts/PageFrame.vue'

/** A vehicle: its measurements drawn over usage, and its jobs. */
const route = useRoute()
const { data, error, refresh } = await useFetch<Vehicle>(() => `/api/vehicles/${String(route.params.id)}`, {
  deep: false
})
const all = computed(() => tracks(data.value?.jobs ?? []))
const shown = ref(0)
const track = computed(() => all.value[shown.value] ?? all.value[0] ?? null)
const making = ref(false)
const changing = ref(false)
const adding = ref(false)
const newest = computed(() => data.value?.jobs[0] ?? null)
useHead({ title: () => VEHICLE_PAGE.umbrette(data.value?.name ?? VEHICLE_PAGE.vehicle) })

const partName = (part: string) => data.value?.parts.find(({ id }) => id === part)?.name ?? part
const { problem, attempt } = useAttempt()
const takeOut = (past: string) =>
  attempt(async () => {
    const path = `/api/vehicles/${String(route.params.id)}/past/${past}/removed`
    data.value = await $fetch<Vehicle>(path, { method: 'POST', body: { removed: true }, retry: 0 })
  })
</script>

<template>
  <PageFrame :error="error" @retry="refresh()">
    <template v-if="data">
      <div class="mb-4 flex flex-wrap items-center gap-3">
        <div class="min-w-0">
          <h1 class="text-2xl font-bold">{{ data.name }}</h1>
          <p class="flex flex-wrap gap-x-4" data-testid="about-vehicle">
            <b v-if="data.registration">{{ data.registration }}</b>
            <span v-if="data.model">{{ data.model }}</span>
            <span v-if="data.chassis" class="text-faint">{{ data.chassis }}</span>
            <NuxtLink v-if="data.customer" :to="`/customers/${data.customer.id}`" class="underline">{{
              [data.customer.name, data.customer.phone].filter(Boolean).join(', ')
            }}</NuxtLink>
          </p>
          <p v-if="newest" class="text-faint">
            {{ VEHICLE_PAGE.whenLastSeen(newest.sheet.name, usageWords(newest.usage)) }}
          </p>
          <p v-if="data.note" class="max-w-2xl">{{ data.note }}</p>
        </div>
        <button type="button" class="act ml-auto" @click="changing = true">{{ VEHICLE_FORM.change }}</button>
        <button type="button" class="act-main" @click="making = true">{{ COMMON.newJob }}</button>
      </div>
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
      <div class="mt-6 grid grid-cols-2 items-start gap-6 max-lg:grid-cols-1">
        <Panel :title="VEHICLE_BOOK.fitted">
          <p class="mb-2 text-note text-faint">{{ VEHICLE_BOOK.fittedSays }}</p>
          <FigureTable v-if="data.fitted.length" :caption="VEHICLE_BOOK.fitted" :heads="VEHICLE_BOOK.fittedHeads">
            <tr v-for="one in data.fitted" :key="`${one.sheet} ${one.part}`" data-testid="fitted">
              <th scope="row" class="text-left font-normal">{{ partName(one.part) }}</th>
              <td class="figure font-normal">{{ one.usage ? usageWords(one.usage) : '' }}</td>
              <td><WhenAt :at="one.at" /></td>
              <td>{{ one.by || VEHICLE_BOOK.elsewhere }}</td>
            </tr>
          </FigureTable>
          <p v-else class="text-note text-faint">{{ VEHICLE_BOOK.noneFitted }}</p>
        </Panel>
        <Panel :title="VEHICLE_BOOK.past">
          <p class="mb-2 text-note text-faint">{{ VEHICLE_BOOK.pastSays }}</p>
          <ul>
            <li
              v-for="one in data.past"
              :key="one.id"
              class="flex items-start gap-3 border-t border-rule/60 py-2"
              data-testid="past-job">
              <div class="min-w-0 flex-1">
                <p>
                  <b class="figure">{{ one.doneOn }}</b>
                  <span v-if="one.usage" class="figure ml-3 font-normal">{{ usageWords(one.usage) }}</span>
                </p>
                <p>{{ one.work }}</p>
                <p class="text-note text-faint">
                  {{
                    [one.doneBy, one.renewed.map(partName).join(', '), VEHICLE_BOOK.keptBy(one.keptBy)]
                      .filter(Boolean)
                      .join(' · ')
                  }}
                </p>
              </div>
              <ClientOnly>
                <button v-if="may('foreman')" type="button" class="act-bare" @click="takeOut(one.id)">
                  {{ VEHICLE_BOOK.takeOut }}
                </button>
              </ClientOnly>
            </li>
          </ul>
          <p v-if="data.past.length === 0" class="text-note text-faint">{{ VEHICLE_BOOK.noPast }}</p>
          <FaultNote v-if="problem">{{ problem }}</FaultNote>
          <button type="button" class="act mt-2" @click="adding = true">{{ VEHICLE_BOOK.addPast }}</button>
        </Panel>
      </div>
      <VehicleForm v-model:open="changing" :vehicle="data" @kept="refresh()" />
      <PastJobForm v-model:open="adding" :vehicle="data" :parts="data.parts" @kept="(now) => (data = now)" />
      <NewJob v-model:open="making" :vehicle="data.name" @made="(id) => navigateTo(`/jobs/${id}`)" />
    </template>
  </PageFrame>
</template>

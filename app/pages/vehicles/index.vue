<script setup lang="ts">
import { VEHICLES } from '../../../words/en'
import type { ListedVehicle } from '../../../server/store/vehicles'
import ProblemNote from '../../components/parts/ProblemNote.vue'
import WhenAt from '../../components/parts/WhenAt.vue'
import { usageWords } from '../../words'
import PagerRow from '../../components/parts/PagerRow.vue'
import Field from '../../components/parts/Field.vue'
import { useSearch } from '../../composables/useSearch'
import PageFrame from '../../components/parts/PageFrame.vue'

/** The vehicles of the workshop, those seen last first. */
const { typed, search, page } = useSearch()
const { data, error, refresh } = await useFetch<{ rows: ListedVehicle[]; total: number; pages: number }>(
  '/api/vehicles',
  { deep: false, query: { search, page } }
)
useHead({ title: VEHICLES.vehiclesUmbrette })
</script>

<template>
  <PageFrame>
    <div class="mb-4 flex flex-wrap items-end gap-3">
      <h1 class="text-2xl font-bold">{{ VEHICLES.vehiclesAndBoats }}</h1>
      <Field
        v-model="typed"
        :label="VEHICLES.searchVehicles"
        silent
        class="ml-auto w-96"
        type="search"
        :placeholder="VEHICLES.searchByName"
        maxlength="200"
        data-testid="search" />
    </div>
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <ul v-else-if="data?.rows.length">
      <li v-for="vehicle in data.rows" :key="vehicle.id">
        <NuxtLink
          :to="`/vehicles/${vehicle.id}`"
          class="grid min-h-14 grid-cols-[minmax(0,1.2fr)_minmax(0,1.4fr)_160px_170px] items-center gap-6 border-t border-rule bg-sheet px-5 py-3 hover:border-brass max-md:grid-cols-1 max-md:gap-1"
          data-testid="vehicle">
          <div class="min-w-0">
            <h2 class="truncate text-lg font-bold">{{ vehicle.name }}</h2>
            <p class="truncate text-note text-faint">
              {{ [vehicle.registration, vehicle.customer?.name].filter(Boolean).join(', ') }}
            </p>
          </div>
          <p class="truncate">{{ vehicle.last?.engine ?? VEHICLES.noJobYet }}</p>
          <p class="figure font-normal">{{ vehicle.last ? usageWords(vehicle.last.usage) : '' }}</p>
          <p class="text-note text-faint">
            {{ vehicle.jobs }} {{ vehicle.jobs === 1 ? VEHICLES.job : VEHICLES.jobs
            }}<template v-if="vehicle.last">{{ VEHICLES.last }} <WhenAt :at="vehicle.last.openedAt" /></template>
          </p>
        </NuxtLink>
      </li>
    </ul>
    <p v-else class="border-t border-rule bg-sheet p-8">
      {{ search ? VEHICLES.noVehicleHasAName : VEHICLES.noVehicleYetTheFirst }}
    </p>
    <PagerRow v-if="data" v-model="page" :pages="data.pages" :before="VEHICLES.before" :after="VEHICLES.further" />
  </PageFrame>
</template>

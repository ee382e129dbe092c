<script setup lang="ts">
import { COMMON, OTHER_FINDS } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref, shallowRef, watch } from 'vue'
import type { ListedSheet } from '../../../server/store/sheets'
import type { ListedVehicle } from '../../../server/store/vehicles'
import Panel from '../parts/Panel.vue'

/** Vehicles and engines that a search finds beside the jobs listed. */
const props = defineProps<{ search: string }>()
const MOST = 6

const vehicles = shallowRef<ListedVehicle[]>([])
const sheets = shallowRef<ListedSheet[]>([])
let asked = 0
const words = computed(() => props.search.toLowerCase().split(/\s+/).filter(Boolean))
const engines = computed(() =>
  sheets.value.filter(({ name }) => words.value.every((word) => name.toLowerCase().includes(word))).slice(0, MOST)
)
const shown = ref(false)

watch(
  () => props.search,
  async (search) => {
    const ask = ++asked
    shown.value = search !== ''
    if (!search) return
    try {
      const [found, all] = await Promise.all([
        $fetch<{ rows: ListedVehicle[] }>('/api/vehicles', { query: { search } }),
        $fetch<ListedSheet[]>('/api/sheets')
      ])
      if (ask !== asked) return
      vehicles.value = found.rows.slice(0, MOST)
      sheets.value = all
    } catch {
      // The list of jobs says that the server cannot be reached.
      shown.value = false
    }
  },
  { immediate: true }
)
</script>

<template>
  <Panel
    v-if="shown && (vehicles.length || engines.length)"
    tone="note"
    class="mb-3 grid grid-cols-2 gap-6 max-md:grid-cols-1"
    :label="OTHER_FINDS.vehiclesAndEnginesFound"
    data-testid="other-finds">
    <div v-if="vehicles.length">
      <h2 class="label">{{ OTHER_FINDS.vehicles }}</h2>
      <ul class="flex flex-wrap gap-x-4">
        <li v-for="v in vehicles" :key="v.id">
          <NuxtLink :to="`/vehicles/${v.id}`" class="act-bare inline-flex items-center">{{ v.name }}</NuxtLink>
        </li>
      </ul>
    </div>
    <div v-if="engines.length">
      <h2 class="label">{{ COMMON.engines }}</h2>
      <ul class="flex flex-wrap gap-x-4">
        <li v-for="e in engines" :key="e.id">
          <NuxtLink :to="`/engines/${e.id}`" class="act-bare inline-flex items-center">{{ e.name }}</NuxtLink>
        </li>
      </ul>
    </div>
  </Panel>
</template>

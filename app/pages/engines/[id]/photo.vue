<script setup lang="ts">
import { EDIT_PAGE, FRONT } from '../../../../words/en'
import { $fetch } from 'ofetch'
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { FoundSheet, ListedSheet } from '../../../../server/store/sheets'
import FrontOnPhoto from '../../../components/front/FrontOnPhoto.vue'
import ProblemNote from '../../../components/parts/ProblemNote.vue'
import TopBar from '../../../components/parts/TopBar.vue'

/** Puts an engine's parts on a photo of its open front; what settles goes into the sheet's draft. */
const route = useRoute()
const found = shallowRef<FoundSheet | null>(null)
const engines = shallowRef<ListedSheet[]>([])
const failed = ref<unknown>(null)

async function load() {
  try {
    const [sheet, list] = await Promise.all([
      $fetch<FoundSheet>(`/api/sheets/${String(route.params.id)}`),
      $fetch<ListedSheet[]>('/api/sheets')
    ])
    found.value = sheet
    engines.value = list.filter(({ charted }) => charted)
    failed.value = null
  } catch (error) {
    failed.value = error
  }
}
onMounted(load)

const name = computed(() => found.value?.sheet.name ?? '')
useHead({ title: () => FRONT.title(name.value) })
</script>

<template>
  <div class="flex h-dvh flex-col">
    <TopBar
      ><h1 class="truncate font-bold">{{ FRONT.heading }}</h1>
      <p class="truncate text-faint">{{ name }}</p></TopBar
    >
    <ProblemNote v-if="failed" :error="failed" @retry="load()" />
    <p v-else-if="!found" class="p-4" role="status">{{ EDIT_PAGE.openingTheSheet }}</p>
    <FrontOnPhoto
      v-else
      :sheet="found.sheet"
      :revision="found.newest"
      :engines="engines"
      @settled="navigateTo(`/engines/${found.sheet.id}/edit?photo=1`)">
      <NuxtLink
        class="act absolute top-2 left-2 inline-flex items-center"
        :to="`/engines/${found.sheet.id}`"
        :prefetch="false"
        >{{ FRONT.back }}</NuxtLink
      >
    </FrontOnPhoto>
  </div>
</template>

<script setup lang="ts">
import { EDIT_PAGE } from '../../../../words/en'
import { $fetch } from 'ofetch'
import { onMounted, ref } from 'vue'
import type { FoundSheet } from '../../../../server/store/sheets'
import EditSheet from '../../../components/engine/EditSheet.vue'
import ProblemNote from '../../../components/parts/ProblemNote.vue'
import TopBar from '../../../components/parts/TopBar.vue'

/** The editor of one of the workshop's drive sheets. */
const route = useRoute()
const found = ref<FoundSheet | null>(null)
const failed = ref<unknown>(null)

async function load() {
  try {
    found.value = await $fetch<FoundSheet>(`/api/sheets/${String(route.params.id)}`)
    failed.value = null
  } catch (error) {
    failed.value = error
  }
}
onMounted(load)
useHead({ title: EDIT_PAGE.driveSheetUmbrette })
</script>

<template>
  <div>
    <TopBar places />
    <ProblemNote v-if="failed" :error="failed" @retry="load" />
    <EditSheet v-else-if="found" :found="found" />
    <p v-else class="p-8" role="status">{{ EDIT_PAGE.openingTheSheet }}</p>
  </div>
</template>

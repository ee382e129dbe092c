<script setup lang="ts">
import { EDIT_PAGE } from '../../../../words/en'
import { $fetch } from 'ofetch'
import { onMounted, ref } from 'vue'
import type { FoundSheet } from '../../../../server/store/sheets'
import EditSheet from '../../../components/engine/EditSheet.vue'
import PageFrame from '../../../components/parts/PageFrame.vue'

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
  <PageFrame wide :error="failed" @retry="load">
    <EditSheet v-if="found" :found="found" />
    <p v-else role="status">{{ EDIT_PAGE.openingTheSheet }}</p>
  </PageFrame>
</template>

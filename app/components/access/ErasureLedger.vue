<script setup lang="ts">
import { ERASING } from '../../../words/en'
import type { ListedErasure } from '../../../server/erasing/erase'
import Panel from '../parts/Panel.vue'
import WhenAt from '../parts/WhenAt.vue'

/** What was erased for good: when and by whom. */
const { data } = await useFetch<ListedErasure[]>('/api/erasures', { default: () => [] })
</script>

<template>
  <Panel :title="ERASING.ledger">
    <p class="text-note text-faint">{{ ERASING.ledgerSays }}</p>
    <ul class="mt-2" data-testid="erasures">
      <li v-for="one in data" :key="one.id" class="flex min-h-11 items-center gap-4 border-t border-rule/60">
        <span>{{ ERASING.entry(one.kind, one.vehicles, one.jobs) }}</span>
        <span class="ml-auto text-note text-faint">{{ one.by }}, <WhenAt :at="one.at" /></span>
      </li>
    </ul>
    <p v-if="!data.length" class="text-note text-faint">{{ ERASING.none }}</p>
  </Panel>
</template>

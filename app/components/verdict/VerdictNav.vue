<script setup lang="ts">
/** From verdict to paths to the customer's report, and back to the bench. */
const props = defineProps<{ id: string }>()
const places = [{ to: `/jobs/${props.id}`, label: 'Bench' }, { to: `/jobs/${props.id}/verdict`, label: 'Verdict' }, { to: `/jobs/${props.id}/paths`, label: 'Paths' }, { to: `/jobs/${props.id}/report`, label: 'Report' }, { to: `/jobs/${props.id}/build`, label: 'Build-up' }, { to: `/jobs/${props.id}/proof`, label: 'Proof' }]
</script>

<template>
  <nav class="flex gap-1" aria-label="Stations of the decision">
    <NuxtLink v-for="{ to, label } in places" :key="to" :to="to" class="flex min-h-11 items-center border-b-2 px-2" :class="$route.path === to ? 'border-brass font-bold' : 'border-transparent'" :aria-current="$route.path === to ? 'page' : undefined">{{ label }}</NuxtLink>
  </nav>
</template>

<script setup lang="ts">
import Panel from '../parts/Panel.vue'

/** A job's papers and files: what is printed opens beside, the rest is taken along. */
defineProps<{ title: string; label?: string; jobId: string; files: readonly { href: string; label: string }[] }>()
const isPrinted = (href: string) => /\.pdf(\?|$)/.test(href)
</script>

<template>
  <Panel :title="title" quiet :label="label">
    <ul class="grid grid-cols-2 gap-1">
      <li v-for="file in files" :key="file.href">
        <a
          :href="`/api/jobs/${jobId}/${file.href}`"
          class="act flex items-center"
          :target="isPrinted(file.href) ? '_blank' : undefined"
          :download="isPrinted(file.href) ? undefined : ''"
          >{{ file.label }}</a
        >
      </li>
    </ul>
  </Panel>
</template>

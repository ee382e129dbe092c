<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'

/** A time: the same text from server and browser first, then in the browser's own time zone. */
const props = defineProps<{ at: string }>()

const zone = ref('UTC')
onMounted(() => (zone.value = Intl.DateTimeFormat().resolvedOptions().timeZone))
const text = computed(() => new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', timeZone: zone.value }).format(new Date(props.at)))
</script>

<template>
  <time :datetime="at">{{ text }}</time>
</template>

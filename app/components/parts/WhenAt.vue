<script setup lang="ts">
import { localeNow } from '../../../words/spoken'
import { computed, onMounted, ref } from 'vue'

/** A time: the same text from server and browser first, then in the browser's own time zone. */
const props = defineProps<{ at: string }>()

const zone = ref('UTC')
onMounted(() => (zone.value = Intl.DateTimeFormat().resolvedOptions().timeZone))
/** After half a year the day and year matter, not the minute. */
const long = computed(() => Date.now() - Date.parse(props.at) > 180 * 86_400_000)
const text = computed(() =>
  new Intl.DateTimeFormat(localeNow(), {
    day: 'numeric',
    month: 'short',
    ...(long.value ? { year: 'numeric' } : { hour: '2-digit', minute: '2-digit' }),
    timeZone: zone.value
  }).format(new Date(props.at))
)
</script>

<template>
  <time :datetime="at">{{ text }}</time>
</template>

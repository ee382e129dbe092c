<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { writtenAt, zoneHere } from '../../when'

/** A time: the same text from server and browser first, then in the browser's own time zone. */
const props = defineProps<{ at: string }>()

const zone = ref('UTC')
onMounted(() => (zone.value = zoneHere()))
const text = computed(() => writtenAt(props.at, zone.value))
</script>

<template>
  <time :datetime="at">{{ text }}</time>
</template>

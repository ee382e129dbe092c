<script setup lang="ts">
import { USAGE_FIX } from '../../../words/en'
import { ref } from 'vue'
import { later } from '../../later'

const UsageSheet = later(() => import('./UsageSheet.vue'))

/** What really stood on the clock is put right. */
const open = ref(false)
</script>

<template>
  <button type="button" class="act-bare" @click="open = true">{{ USAGE_FIX.putRight }}</button>
  <UsageSheet v-if="open" @close="open = false" />
</template>

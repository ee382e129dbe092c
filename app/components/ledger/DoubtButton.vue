<script setup lang="ts">
import { DOUBT } from '../../../words/en'
import { computed, ref } from 'vue'
import type { DoubtPart } from '../../../core/estimate'
import { NINETY } from '../../../core/math'
import type { Assessment } from '../../../core/paths'
import type { DriveSheet } from '../../../core/sheet'
import { later } from '../../later'
import { fixDigits } from '../../words'

const DoubtPane = later(() => import('./DoubtPane.vue'))

/** Opens what a figure's doubt is made of. */
const props = defineProps<{
  sheet: DriveSheet
  assessment: Assessment
  name: string
  chain: string
  made: readonly DoubtPart[]
  sd: number
  unit: '%' | '°'
}>()

const open = ref(false)
const times = computed(() => NINETY * (props.unit === '%' ? 100 : 1))
const half = computed(() => fixDigits(times.value * props.sd, props.unit === '%' ? 2 : 1))
</script>

<template>
  <button
    type="button"
    class="act-bare -my-3 text-note"
    :aria-label="DOUBT.open(name)"
    data-testid="doubt"
    @click="open = true">
    {{ DOUBT.why }}
  </button>
  <DoubtPane
    v-if="open"
    v-model:open="open"
    :sheet="sheet"
    :assessment="assessment"
    :name="name"
    :chain="chain"
    :made="made"
    :half="half"
    :unit="unit" />
</template>

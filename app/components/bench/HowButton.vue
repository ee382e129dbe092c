<script setup lang="ts">
import { HOW_BUTTON } from '../../../words/en'
import { ref, watch } from 'vue'
import type { NumericKind } from '../../../core/readings'
import type { DriveSheet } from '../../../core/sheet'
import { later } from '../../later'

const HowOf = later(() => import('./HowOf.vue'))

/** Opens, in place, how a figure is read or a finding looked for. */
const props = defineProps<{
  job: string
  sheet: DriveSheet
  part: string
  kind?: NumericKind
  findings?: readonly string[]
}>()
const open = ref(false)
watch(
  () => [props.part, props.kind],
  () => (open.value = false)
)
</script>

<template>
  <div class="no-print">
    <button
      type="button"
      class="act-bare -ml-1 text-body"
      :aria-expanded="open"
      data-testid="how-open"
      @click="open = !open">
      {{ open ? HOW_BUTTON.close : HOW_BUTTON.open }}
    </button>
    <HowOf v-if="open" v-bind="props" />
  </div>
</template>

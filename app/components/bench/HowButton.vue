<script setup lang="ts">
import { HOW_BUTTON } from '../../../words/en'
import { ref, watch } from 'vue'
import { later } from '../../later'
import type { HowAsked } from './how'

const HowOf = later(() => import('./HowOf.vue'))

/** Opens, in place, how a figure is read or a finding looked for. */
const props = defineProps<HowAsked>()
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

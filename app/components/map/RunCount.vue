<script setup lang="ts">
import { RUN_COUNT } from '../../../words/en'
import { computed } from 'vue'
import type { ChainPicture } from '../../../core/drive'

/** The links of one run between marks: the sheet's count, or what was counted where it differs. */
const props = defineProps<{
  run: ChainPicture['runs'][number]
  at: { x: number; y: number }
  read: number | null
  names: [string, string]
  chosen: boolean
}>()
const emit = defineEmits<{ choose: [] }>()

const differs = computed(() => props.read !== null && props.read !== props.run.links)
const says = computed(() => RUN_COUNT.says(props.names[0], props.names[1], props.run.links, props.read))
</script>

<template>
  <button
    type="button"
    class="absolute grid h-11 w-11 place-items-center"
    :style="{ left: `${at.x - 22}px`, top: `${Math.max(0, at.y - 22)}px` }"
    :aria-label="says"
    :aria-pressed="chosen"
    @click="emit('choose')">
    <span
      class="figure min-w-8 border bg-plate px-1 text-center text-note"
      :class="[
        chosen ? 'border-lit text-lit' : read === null ? 'border-dashed border-hair font-normal' : 'border-scribe',
        differs ? 'text-pink' : ''
      ]">
      {{ read ?? run.links }}<template v-if="differs">≠{{ run.links }}</template>
    </span>
  </button>
</template>

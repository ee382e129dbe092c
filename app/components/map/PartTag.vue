<script setup lang="ts">
import CallMark from '../parts/CallMark.vue'
import type { PartLabel } from './partLabels'

defineProps<{
  label: PartLabel
  right: boolean
  top: number
  width: number
  height: number
  chosen: boolean
  brief?: boolean
}>()
/** px below which a name has one line, and nothing stands below it. */
const [ONE_LINE, NAME_ONLY] = [48, 32]
const emit = defineEmits<{ choose: [] }>()
</script>

<template>
  <button
    type="button"
    class="absolute flex items-center gap-1.5 bg-plate px-1.5 text-left leading-tight"
    :class="[right ? 'border-l-2' : 'flex-row-reverse border-r-2 text-right', chosen ? 'border-lit' : 'border-hair']"
    :style="{ top: `${top}px`, width: `${width}px`, minHeight: `${height}px`, [right ? 'right' : 'left']: '0' }"
    :aria-pressed="chosen"
    :title="brief || height < ONE_LINE ? label.name : undefined"
    @click="emit('choose')">
    <CallMark v-if="label.call" :call="label.call" bare on-plate :size="20" />
    <span v-if="!brief" class="min-w-0 flex-1">
      <span
        class="block break-words text-note"
        :class="[chosen ? 'text-lit' : '', height < ONE_LINE ? 'truncate' : 'line-clamp-2']"
        >{{ label.name }}</span
      >
      <span
        v-if="height >= NAME_ONLY"
        class="figure block text-note font-normal"
        :class="height < ONE_LINE ? 'truncate' : ''"
        >{{ label.value }}</span
      >
    </span>
    <span v-else-if="!label.call" class="size-2 rounded-full bg-scribe" aria-hidden="true" />
  </button>
</template>

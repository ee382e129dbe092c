<script setup lang="ts">
import CallMark from '../parts/CallMark.vue'
import type { PartLabel } from './partLabels'

defineProps<{ label: PartLabel; right: boolean; top: number; width: number; chosen: boolean; brief?: boolean }>()
const emit = defineEmits<{ choose: [] }>()
</script>

<template>
  <button
    type="button"
    class="absolute flex min-h-[50px] items-center gap-2 bg-plate px-2 py-1 text-left leading-tight"
    :class="[right ? 'border-l-2' : 'flex-row-reverse border-r-2 text-right', chosen ? 'border-lit' : 'border-hair']"
    :style="{ top: `${top}px`, width: `${width}px`, [right ? 'right' : 'left']: '0' }"
    :aria-pressed="chosen"
    @click="emit('choose')">
    <CallMark v-if="label.call" :call="label.call" bare on-plate :size="22" />
    <span class="min-w-0 flex-1">
      <span class="line-clamp-2 block break-words text-note" :class="chosen ? 'text-lit' : ''">{{ label.name }}</span>
      <span v-if="!brief" class="figure block text-note font-normal">{{ label.value }}</span>
    </span>
  </button>
</template>

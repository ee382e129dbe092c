<script setup lang="ts">
import type { Call } from '../../../core/calls'
import { CALL_WORDS } from '../../words'

/** State by form first: open ring, broken ring, notched disc, barred square; colour second. */
defineProps<{ call: Call; size?: number; bare?: boolean; onPlate?: boolean }>()
</script>

<template>
  <span class="inline-flex items-center gap-2 whitespace-nowrap">
    <svg
      :width="size ?? 20"
      :height="size ?? 20"
      viewBox="-10 -10 20 20"
      class="shrink-0"
      :aria-hidden="!bare"
      :role="bare ? 'img' : undefined"
      :aria-label="bare ? CALL_WORDS[call] : undefined">
      <circle v-if="call === 'back-in'" r="7" fill="none" stroke="currentColor" stroke-width="2.5" />
      <circle
        v-else-if="call === 'look-closer'"
        r="7"
        fill="none"
        stroke="currentColor"
        stroke-width="2.5"
        stroke-dasharray="7.5 3.5" />
      <path
        v-else-if="call === 'renew'"
        d="M-2.600 -7.900A8.300 8.300 0 1 0 2.600 -7.900L0 -1Z"
        :class="onPlate ? 'fill-pink' : 'fill-renew'" />
      <g v-else>
        <rect x="-8" y="-8" width="16" height="16" fill="#ffd60a" stroke="#14171b" stroke-width="2" />
        <path d="M-8 8 8 -8" stroke="#14171b" stroke-width="3.500" />
      </g>
    </svg>
    <span v-if="!bare" :class="call === 'renew' ? (onPlate ? 'text-pink' : 'text-renew') : ''" class="font-bold">{{
      CALL_WORDS[call]
    }}</span>
  </span>
</template>

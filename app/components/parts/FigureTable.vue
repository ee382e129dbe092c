<script setup lang="ts">
/** Figures in rows (the slot) under the heads of their columns; the caption is for who listens, unless it is shown. */
withDefaults(
  defineProps<{
    caption?: string
    shown?: boolean
    heads?: readonly string[]
    rightFrom?: number
    onPlate?: boolean
    /** On a telephone each row stands as a list of its figures, named by `data-head`. */
    asList?: boolean
  }>(),
  { caption: undefined, heads: undefined, rightFrom: Infinity }
)
</script>

<template>
  <!-- On a telephone a wide table is moved sideways by itself: the page stays where it is. -->
  <div class="relative max-md:min-w-0 max-md:overflow-x-auto print:overflow-visible">
    <table class="figures" :class="[onPlate ? 'figures-on-plate' : '', asList ? 'as-list' : '']">
      <caption v-if="caption" :class="shown ? 'pb-1 text-left font-bold' : 'sr-only'">
        {{
          caption
        }}
      </caption>
      <thead v-if="heads">
        <tr class="text-note" :class="onPlate ? '' : 'text-faint'">
          <th v-for="(head, i) in heads" :key="i" scope="col" :class="i >= rightFrom ? 'text-right' : ''">
            {{ head }}
          </th>
        </tr>
      </thead>
      <tbody>
        <slot />
      </tbody>
    </table>
  </div>
</template>

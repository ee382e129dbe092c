<script setup lang="ts">
import { MEASURE } from '../../../words/en'

/** The scale card, to be printed. */
const SIZES = [
  { size: 'a6', label: MEASURE.a6 },
  { size: 'a5', label: MEASURE.a5 }
]
</script>

<template>
  <p class="text-note">
    {{ MEASURE.cardPdf }}:
    <a
      v-for="{ size, label } in SIZES"
      :key="size"
      class="act-bare mr-2"
      :href="`/api/card/${size}.pdf`"
      target="_blank"
      rel="noopener"
      >{{ label }}</a
    >
  </p>
</template>

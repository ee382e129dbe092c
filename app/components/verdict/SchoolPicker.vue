<script setup lang="ts">
import type { School } from '../../../core/readings'
import { SCHOOL_WORDS } from '../../words'
import ChoiceRow from '../parts/ChoiceRow.vue'

const school = defineModel<School>({ required: true })
const options = Object.entries(SCHOOL_WORDS).map(([value, { name }]) => ({ value: value as School, label: name }))
</script>

<template>
  <div>
    <ChoiceRow v-model="school" label="Judged under" :options="options" />
    <p class="mt-2 text-note text-faint">{{ SCHOOL_WORDS[school].creed }}</p>
  </div>
</template>

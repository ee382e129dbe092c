<script setup lang="ts">
import { SCHOOLS } from '../../../core/calls'
import type { School } from '../../../core/readings'
import { SCHOOL_WORDS } from '../../words'
import ChoiceRow from '../parts/ChoiceRow.vue'

const school = defineModel<School>({ required: true })
const options = Object.entries(SCHOOL_WORDS).map(([value, label]) => ({ value: value as School, label }))
</script>

<template>
  <div>
    <ChoiceRow v-model="school" label="Judged under" :options="options" />
    <p class="mt-2 text-[13px] text-faint">{{ SCHOOLS[school].creed }}</p>
  </div>
</template>

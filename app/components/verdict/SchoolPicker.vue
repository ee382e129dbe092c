<script setup lang="ts">
import { SCHOOL_PICKER } from '../../../words/en'
import type { School } from '../../../core/readings'
import { SCHOOL_WORDS } from '../../words'
import ChoiceRow from '../parts/ChoiceRow.vue'

const school = defineModel<School>({ required: true })
const options = Object.entries(SCHOOL_WORDS).map(([value, { name }]) => ({ value: value as School, label: name }))
</script>

<template>
  <div>
    <ChoiceRow v-model="school" :label="SCHOOL_PICKER.judgedUnder" :options="options" />
    <p class="mt-2 text-note text-faint">{{ SCHOOL_WORDS[school].creed }}</p>
  </div>
</template>

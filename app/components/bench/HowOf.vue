<script setup lang="ts">
import { findingWords, HOW_PANE } from '../../../words/en'
import { computed, ref } from 'vue'
import { partKindOf } from '../../../core/sheet'
import { inspectionOfFigure, inspectionOfFinding } from '../../../core/views/practice'
import { useOpenJob } from '../../stores/job'
import Field from '../parts/Field.vue'
import type { HowAsked } from './how'
import HowPane from './HowPane.vue'

/** How a figure of a part is read; or how a finding on it is looked for, and what it is like. */
const props = defineProps<HowAsked>()
const job = useOpenJob()
const sheet = computed(() => job.job.sheet)
const finding = ref(props.findings?.find((one) => one !== 'sound') ?? '')
const partKind = computed(() => partKindOf(sheet.value, props.part) ?? 'engine')
const inspection = computed(() =>
  props.kind
    ? inspectionOfFigure(sheet.value, props.kind, props.part)
    : inspectionOfFinding(sheet.value, props.part, finding.value)
)
</script>

<template>
  <div class="space-y-2">
    <Field v-if="!kind && findings?.length" :label="HOW_PANE.choose">
      <template #default="{ control }">
        <select v-model="finding" v-bind="control" data-testid="how-finding">
          <option v-for="one in findings" :key="one" :value="one">{{ findingWords(partKind, one) }}</option>
        </select>
      </template>
    </Field>
    <HowPane
      v-if="inspection"
      :key="inspection.id + finding"
      :sheet="sheet"
      :inspection="inspection"
      :finding="finding ? { target: part, finding } : undefined" />
    <NuxtLink :to="`/jobs/${job.id}/how`" class="act-bare inline-flex items-center text-body" :prefetch="false">{{
      HOW_PANE.print
    }}</NuxtLink>
  </div>
</template>

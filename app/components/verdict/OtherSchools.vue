<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { COMMON, OTHER_SCHOOLS, namesOf, sayOtherwise } from '../../../words/en'
import { ref, shallowRef, watch } from 'vue'
import type { SchoolDifference } from '../../../core/views/verdict'
import { usePlanner } from '../../composables/usePlanner'
import { useOpenJob } from '../../stores/job'
import { CALL_WORDS, partName, SCHOOL_WORDS } from '../../words'
import Panel from '../parts/Panel.vue'

/** The same readings under the other two schools: what changes, and why. */
const job = useOpenJob()
const planner = usePlanner()
const others = shallowRef<SchoolDifference[]>([])
const failed = ref(false)
let asked = 0
watch(
  () => job.assessment,
  async (assessment) => {
    if (!assessment || !job.file) return
    const ask = ++asked
    try {
      const found = await planner.others(job.file, assessment)
      if (ask === asked) others.value = found
      failed.value = false
    } catch {
      failed.value = true
    }
  },
  { immediate: true }
)
const words = (call: SchoolDifference['changes'][number]['here']) =>
  call ? midSentence(CALL_WORDS[call]) : COMMON.noCall
</script>

<template>
  <Panel
    :title="OTHER_SCHOOLS.theSameReadingsUnderThe"
    quiet
    :label="OTHER_SCHOOLS.underTheOtherSchools"
    data-testid="other-schools">
    <p v-if="failed" class="text-renew" role="alert">{{ OTHER_SCHOOLS.theyCouldNotBeWeighed }}</p>
    <div v-for="{ school, changes } in others" :key="school" class="mt-2">
      <h3 class="font-bold">{{ SCHOOL_WORDS[school].name }}</h3>
      <p v-if="changes.length === 0" class="text-body">{{ OTHER_SCHOOLS.comesToTheSameCalls }}</p>
      <ul class="space-y-1 text-body">
        <li v-for="change in changes" :key="change.part">
          <b>{{ partName(job.job.sheet, change.part) }}</b>{{
            OTHER_SCHOOLS.insteadOf(words(change.there), words(change.here))
          }}
          <span class="text-faint">{{ sayOtherwise(change, school, namesOf(job.job.sheet)) }}</span>
        </li>
      </ul>
    </div>
  </Panel>
</template>

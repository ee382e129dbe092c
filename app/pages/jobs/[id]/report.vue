<script setup lang="ts">
import { REPORT_PAGE } from '../../../../words/en'
import { computed, ref } from 'vue'
import { languageName } from '../../../../words/languages'
import type { DrawnReport } from '../../../../server/store/reports'
import ChoiceRow from '../../../components/parts/ChoiceRow.vue'
import ProblemNote from '../../../components/parts/ProblemNote.vue'
import FileLinks from '../../../components/report/FileLinks.vue'
import ReportView from '../../../components/report/ReportView.vue'
import SharePanel from '../../../components/report/SharePanel.vue'
import JobBar from '../../../components/verdict/JobBar.vue'
import { useLanguage } from '../../../composables/useLanguage'
import { useSent } from '../../../composables/useSent'
import { useJob } from '../../../stores/job'

/** What the customer is told, as it would be shared now; paper, link, and the job in open formats. */
const job = useJob()
const reader = ref<'customer' | 'us'>('customer')
const { data, error, refresh } = await useFetch<DrawnReport>(
  () => `/api/jobs/${job.id}/report${reader.value === 'us' ? '?reader=us' : ''}`,
  { deep: false }
)
/** Where the customer reads another language than this page is written in, both can be seen. */
const theirs = ref(data.value?.report.language ?? 'en')
const ours = useLanguage()
// What waits on this device reaches the report once it is kept.
useSent(refresh)
const files = computed(() => [
  { href: `report.pdf?paper=a4&reader=${reader.value}`, label: REPORT_PAGE.pdfA4 },
  { href: `report.pdf?paper=letter&reader=${reader.value}`, label: REPORT_PAGE.pdfLetter },
  { href: 'export', label: REPORT_PAGE.wholeJob },
  { href: 'readings.csv', label: REPORT_PAGE.readingsCsv },
  { href: 'map.svg', label: REPORT_PAGE.mapSvg },
  { href: 'assessment', label: REPORT_PAGE.assessmentJson }
])
</script>

<template>
  <div>
    <JobBar :says="REPORT_PAGE.theCustomersReport" />
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <main
      v-else-if="data"
      class="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)_340px] gap-8 px-6 py-6 max-lg:grid-cols-1 max-md:px-2">
      <div class="bg-sheet p-6">
        <ChoiceRow
          v-if="theirs !== ours"
          v-model="reader"
          class="no-print mb-4"
          :label="REPORT_PAGE.reads"
          :options="[
            { value: 'customer', label: REPORT_PAGE.customer(languageName(theirs)) },
            { value: 'us', label: REPORT_PAGE.us }
          ]" />
        <ReportView :report="data.report" :map="data.map" :photo="(id) => `/api/photos/${id}`" />
      </div>
      <aside class="space-y-4">
        <ClientOnly><SharePanel :job-id="job.id" /></ClientOnly>
        <FileLinks :title="REPORT_PAGE.onPaperAndAsFiles" :label="REPORT_PAGE.files" :job-id="job.id" :files="files" />
      </aside>
    </main>
  </div>
</template>

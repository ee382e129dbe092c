<script setup lang="ts">
import { REPORT_PAGE } from '../../../../words/en'
import { watch } from 'vue'
import type { DrawnReport } from '../../../../server/store/reports'
import ProblemNote from '../../../components/parts/ProblemNote.vue'
import ReportView from '../../../components/report/ReportView.vue'
import SharePanel from '../../../components/report/SharePanel.vue'
import JobBar from '../../../components/verdict/JobBar.vue'
import { useJob } from '../../../stores/job'
import { useOutbox } from '../../../stores/outbox'
import Panel from '../../../components/parts/Panel.vue'

/** What the customer is told, as it would be shared now; paper, link, and the job in open formats. */
const job = useJob()
const outbox = useOutbox()
const { data, error, refresh } = await useFetch<DrawnReport>(() => `/api/jobs/${job.id}/report`, { deep: false })
// What waits on this device reaches the report once it is kept.
watch(
  () => outbox.waiting.length,
  (now, before) => {
    if (now < before) void refresh()
  }
)
const files = [
  { href: 'report.pdf?paper=a4', label: REPORT_PAGE.pdfA4 },
  { href: 'report.pdf?paper=letter', label: REPORT_PAGE.pdfLetter },
  { href: 'export', label: REPORT_PAGE.wholeJob },
  { href: 'readings.csv', label: REPORT_PAGE.readingsCsv },
  { href: 'map.svg', label: REPORT_PAGE.mapSvg },
  { href: 'assessment', label: REPORT_PAGE.assessmentJson }
]
</script>

<template>
  <div>
    <JobBar :says="REPORT_PAGE.theCustomersReport" />
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <main
      v-else-if="data"
      class="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)_340px] gap-8 px-6 py-6 max-lg:grid-cols-1 max-md:px-2">
      <div class="bg-sheet p-6">
        <ReportView :report="data.report" :map="data.map" :photo="(id) => `/api/photos/${id}`" />
      </div>
      <aside class="space-y-4">
        <ClientOnly><SharePanel :job-id="job.id" /></ClientOnly>
        <Panel :title="REPORT_PAGE.onPaperAndAsFiles" quiet :label="REPORT_PAGE.files">
          <ul class="grid grid-cols-2 gap-1">
            <li v-for="file in files" :key="file.href">
              <a
                :href="`/api/jobs/${job.id}/${file.href}`"
                class="act flex items-center"
                :target="file.href.startsWith('report') ? '_blank' : undefined"
                :download="file.href.startsWith('report') ? undefined : ''"
                >{{ file.label }}</a
              >
            </li>
          </ul>
        </Panel>
      </aside>
    </main>
  </div>
</template>

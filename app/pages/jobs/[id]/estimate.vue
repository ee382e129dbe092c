<script setup lang="ts">
import { ESTIMATE_PAGE, moneyExactly } from '../../../../words/en'
import { fittedIn } from '../../../../core/views/summary'
import { computed } from 'vue'
import { chosenAndDone } from '../../../../core/views/estimate'
import type { EstimatePaper, OrderPaper } from '../../../../words/en'
import FigureTable from '../../../components/parts/FigureTable.vue'
import Panel from '../../../components/parts/Panel.vue'
import ProblemNote from '../../../components/parts/ProblemNote.vue'
import FileLinks from '../../../components/report/FileLinks.vue'
import TypedLines from '../../../components/paths/TypedLines.vue'
import JobBar from '../../../components/verdict/JobBar.vue'
import { useCurrency } from '../../../composables/useCurrency'
import { useSent } from '../../../composables/useSent'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { partName } from '../../../words'

/** What the job comes to with tax, what is ordered for it, and what was chosen against what was done. */
const job = useOpenJob()
const bench = useBench()
const { data, error, refresh } = await useFetch<{ paper: EstimatePaper; order: OrderPaper }>(
  () => `/api/jobs/${job.id}/estimate`,
  { deep: false }
)
// What waits on this device reaches the estimate once it is kept.
useSent(refresh)
const fitted = computed(() => fittedIn(job.record))
const chosen = computed(() => chosenAndDone(job.record, fitted.value))
const beyond = computed(() => chosen.value?.rows.filter((row) => row.fitted && !row.chosen) ?? [])
const currency = useCurrency()
const files = [
  { href: 'estimate.pdf', label: ESTIMATE_PAGE.estimatePdf },
  { href: 'estimate.csv', label: ESTIMATE_PAGE.estimateCsv },
  { href: 'order.pdf', label: ESTIMATE_PAGE.orderPdf },
  { href: 'order.csv', label: ESTIMATE_PAGE.orderCsv },
  { href: 'worksheet.pdf', label: ESTIMATE_PAGE.worksheetPdf },
  { href: 'build.pdf', label: ESTIMATE_PAGE.buildPdf },
  { href: 'label.pdf', label: ESTIMATE_PAGE.labelPdf }
]
</script>

<template>
  <div>
    <JobBar :says="ESTIMATE_PAGE.estimate" />
    <ProblemNote v-if="error" :error="error" @retry="refresh()" />
    <main
      v-else-if="data"
      class="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)_380px] items-start gap-6 px-6 py-5 max-lg:grid-cols-1 max-md:px-2">
      <div class="space-y-6">
        <Panel :title="ESTIMATE_PAGE.title">
          <p class="text-note text-faint">{{ [...data.paper.customer, data.paper.about].join(' · ') }}</p>
          <p v-if="data.paper.lines.length === 0" class="mt-2">{{ ESTIMATE_PAGE.empty }}</p>
          <template v-else>
            <p class="mt-1 mb-2">{{ data.paper.basis }}</p>
            <FigureTable
              :caption="ESTIMATE_PAGE.title"
              :heads="data.paper.heads"
              :right-from="2"
              data-testid="estimate">
              <tr v-for="(line, i) in data.paper.lines" :key="i" class="align-top">
                <td class="text-note text-faint">
                  {{ data.paper.lines[i - 1]?.kind === line.kind ? '' : line.kind }}
                </td>
                <td>
                  {{ line.text }}<span v-if="line.note" class="block text-note text-faint">{{ line.note }}</span>
                </td>
                <td class="figure text-right font-normal whitespace-nowrap">{{ line.quantity }}</td>
                <td class="figure text-right font-normal whitespace-nowrap">{{ line.price }}</td>
                <td class="figure text-right font-normal whitespace-nowrap">{{ line.amount }}</td>
                <td class="figure text-right font-normal whitespace-nowrap">{{ line.tax }}</td>
              </tr>
            </FigureTable>
          </template>
          <p class="mt-3 text-note text-faint">{{ data.paper.caution }}</p>
        </Panel>
        <Panel :title="ESTIMATE_PAGE.order">
          <p v-if="data.order.lines.length === 0" class="text-note text-faint">{{ data.order.none }}</p>
          <FigureTable v-else :caption="ESTIMATE_PAGE.order" :heads="data.order.heads" data-testid="order">
            <tr v-for="(line, i) in data.order.lines" :key="i">
              <td>{{ data.order.lines[i - 1]?.supplier === line.supplier ? '' : line.supplier }}</td>
              <td class="figure font-normal">{{ line.number }}</td>
              <td>{{ line.text }}</td>
              <td class="figure font-normal">{{ line.quantity }}</td>
              <td>{{ line.stock }}</td>
              <td class="figure font-normal whitespace-nowrap">{{ line.price }}</td>
            </tr>
          </FigureTable>
        </Panel>
      </div>
      <aside class="space-y-4">
        <Panel v-if="data.paper.lines.length" :label="ESTIMATE_PAGE.comesTo">
          <dl class="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1" data-testid="sums">
            <template v-for="(sum, i) in data.paper.sums" :key="sum.label">
              <dt :class="i === data.paper.sums.length - 1 ? 'self-center font-bold' : 'text-faint'">
                {{ sum.label }}
              </dt>
              <dd class="figure text-right" :class="i === data.paper.sums.length - 1 ? 'text-xl' : 'font-normal'">
                {{ sum.value }}
              </dd>
            </template>
          </dl>
        </Panel>
        <Panel v-if="chosen" :title="ESTIMATE_PAGE.chosenTitle" data-testid="chosen-and-done">
          <p class="mb-2">{{ ESTIMATE_PAGE.chosenBy(chosen.by, moneyExactly(chosen.price, currency)) }}</p>
          <FigureTable :caption="ESTIMATE_PAGE.chosenTitle" :heads="ESTIMATE_PAGE.chosenHeads">
            <tr v-for="row in chosen.rows" :key="row.part">
              <th scope="row" class="text-left font-normal">{{ partName(job.job.sheet, row.part) }}</th>
              <td>{{ row.chosen ? ESTIMATE_PAGE.yes : ESTIMATE_PAGE.notChosen }}</td>
              <td>{{ row.fitted ? ESTIMATE_PAGE.yes : ESTIMATE_PAGE.notFitted }}</td>
            </tr>
          </FigureTable>
          <p v-if="beyond.length" class="mt-2 border-l-4 border-renew bg-paper p-2 font-bold">
            {{ ESTIMATE_PAGE.beyond(beyond.map(({ part }) => partName(job.job.sheet, part)).join(', ')) }}
          </p>
        </Panel>
        <FileLinks :title="ESTIMATE_PAGE.papers" :job-id="job.id" :files="files" />
        <Panel :title="ESTIMATE_PAGE.typedTitle">
          <ClientOnly><TypedLines v-if="bench.by" /></ClientOnly>
        </Panel>
      </aside>
    </main>
  </div>
</template>

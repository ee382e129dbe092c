<script setup lang="ts">
import { COMMON, PROOF_PAGE, sayPartName } from '../../../../words/en'
import { computed, ref, watch } from 'vue'
import { assess } from '../../../../core/paths'
import { closingJob, PROOF_TASKS, rebuildOf } from '../../../../core/views/buildup'
import { tracedCamsOf } from '../../../../core/views/traces'
import TaskRow from '../../../components/build/TaskRow.vue'
import StretchLine from '../../../components/ledger/StretchLine.vue'
import WhenAt from '../../../components/parts/WhenAt.vue'
import TellAsCase from '../../../components/practice/TellAsCase.vue'
import ScanPane from '../../../components/station/ScanPane.vue'
import JobBar from '../../../components/verdict/JobBar.vue'
import { partOf } from '../../../../core/readings'
import { limitFor } from '../../../../core/sheet'
import { useBench } from '../../../stores/bench'
import { useOpenJob } from '../../../stores/job'
import { fixDigits, lagWords, partName, readingWords, USAGE_UNITS, usageWords } from '../../../words'
import { lengthWords } from '../../../units'
import { largeNumberOf } from '../../../components/bench/draft'
import FaultNote from '../../../components/parts/FaultNote.vue'
import Panel from '../../../components/parts/Panel.vue'
import Field from '../../../components/parts/Field.vue'
import FigureTable from '../../../components/parts/FigureTable.vue'
import Caution from '../../../components/parts/Caution.vue'

/**
 * Station 10: before and after on one page, what the running engine shows, the closing estimate, and when it is looked
 * at again.
 */
const job = useOpenJob()
const bench = useBench()
const mine = computed(() => bench.by !== '')
const sheet = computed(() => job.job.sheet)
const rebuild = computed(() => rebuildOf(job.job, job.acts, job.assessment))
const closing = computed(() => {
  const file = closingJob(job.file, job.record, rebuild.value.renew)
  return file.readings.length > 0 ? assess(file) : null
})
/** Cams of which a trace of the running engine was kept. */
const tracedAfter = computed(() =>
  tracedCamsOf(sheet.value, job.record, job.acts).flatMap(({ cam, after }) => (after ? [{ cam, after }] : []))
)
const proofs = computed(() => job.record.rebuilt.filter(({ round }) => round === 'proof'))

/** Each line of the check before the repair, after it, and of the running engine. */
const rows = computed(() =>
  rebuild.value.checks.map(({ expected, turned, state }) => {
    const { kind, target, from = '', to = '', value, within } = expected
    const running =
      proofs.value.findLast(({ reading }) => reading.kind === kind && partOf(reading) === target)?.reading ?? null
    const before =
      kind === 'camLag'
        ? lagWords(job.assessment.cams[target]!.lag.mean)
        : kind === 'extension'
          ? lengthWords(
              job.assessment.tensioners[target]!.extension.read ??
                job.assessment.tensioners[target]!.extension.predicted,
              1
            )
          : countedBefore(target, from, to)
    const should =
      kind === 'linkCount'
        ? PROOF_PAGE.links(value)
        : kind === 'extension'
          ? `${lengthWords(value, 1)} ±${fixDigits(within, 1)}`
          : `${lagWords(value)} ±${fixDigits(within, 1)}°`
    return {
      key: [kind, target, from, to].join(),
      name:
        kind === 'linkCount'
          ? COMMON.to(partName(sheet.value, from), partName(sheet.value, to))
          : partName(sheet.value, target),
      before,
      should,
      after: turned ? readingWords(turned) : PROOF_PAGE.notRead,
      running: running ? readingWords(running) : '',
      state
    }
  })
)

function countedBefore(chain: string, from: string, to: string): string {
  const read = job.record.readings.findLast(
    (r) => r.kind === 'linkCount' && r.chain === chain && r.from === from && r.to === to
  )
  return read ? readingWords(read) : PROOF_PAGE.notCounted
}

const form = ref({ date: '', usage: '', stopGap: false, note: '' })
const fault = ref('')
watch(
  () => job.record.check,
  (check) =>
    (form.value = {
      date: check?.date ?? '',
      usage: check?.usage === undefined ? '' : String(check.usage),
      stopGap: check?.stopGap ?? false,
      note: check?.note ?? ''
    }),
  { immediate: true }
)

function keepCheck() {
  const { date, usage, stopGap, note } = form.value
  const at = usage.trim() === '' ? undefined : largeNumberOf(usage)
  fault.value =
    at === null || (at !== undefined && at <= job.job.usage.value)
      ? PROOF_PAGE.writeTheAtWhichIt(USAGE_UNITS[job.job.usage.unit], Math.round(job.job.usage.value))
      : !date && at === undefined
        ? PROOF_PAGE.nameADateOrThe
        : stopGap && !date
          ? PROOF_PAGE.aStopGapNeedsA
          : ''
  if (!fault.value && at !== null)
    job.put({
      type: 'check',
      stopGap,
      ...(date ? { date } : {}),
      ...(at === undefined ? {} : { usage: at }),
      ...(note.trim() ? { note: note.trim() } : {})
    })
}
const close = () => job.put({ type: 'state', state: 'closed' })
</script>

<template>
  <div>
    <JobBar :says="PROOF_PAGE.proof(usageWords(job.job.usage))" />
    <main
      class="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)_400px] gap-6 px-6 py-5 max-lg:grid-cols-1 max-md:px-2">
      <div class="space-y-4">
        <Panel :title="PROOF_PAGE.beforeAndAfter" data-testid="before-after">
          <FigureTable
            :heads="['', PROOF_PAGE.asFound, PROOF_PAGE.shouldRead, PROOF_PAGE.afterTwoTurns, PROOF_PAGE.running]">
            <tr v-for="row in rows" :key="row.key">
              <td>{{ row.name }}</td>
              <td class="figure font-normal">{{ row.before }}</td>
              <td class="figure font-normal">{{ row.should }}</td>
              <td class="figure" :class="row.state === 'differs' ? 'text-renew' : ''">{{ row.after }}</td>
              <td class="figure font-normal">{{ row.running }}</td>
            </tr>
          </FigureTable>
        </Panel>
        <Panel :title="PROOF_PAGE.theRebuiltDriveFromWhat" data-testid="closing">
          <div v-if="closing" class="max-w-md">
            <StretchLine
              v-for="chain in sheet.chains"
              :key="chain.id"
              :name="sayPartName(chain.name)"
              :elongation="closing.chains[chain.id]!.elongation"
              :limit="limitFor(sheet, 'elongation', chain.id)"
              named />
          </div>
          <p v-else>
            {{ PROOF_PAGE.nothingHasBeenReadOn }}
          </p>
        </Panel>
        <Panel :title="PROOF_PAGE.camDeviationOfTheRunning">
          <ScanPane rebuilt />
          <ul v-if="tracedAfter.length" class="mt-2 text-note">
            <li v-for="{ cam, after } in tracedAfter" :key="cam">
              <NuxtLink
                class="act-bare"
                :to="`/jobs/${job.id}/trace?round=proof&reading=${after.act}`"
                :prefetch="false"
                data-testid="proof-on-trace"
                >{{ PROOF_PAGE.traced(partName(sheet, cam), lagWords(after.value), after.from.file) }}</NuxtLink
              >
            </li>
          </ul>
          <NuxtLink
            class="act mt-2 inline-flex items-center"
            :to="`/jobs/${job.id}/trace?round=proof`"
            :prefetch="false"
            data-testid="trace-of-proof"
            >{{ PROOF_PAGE.traceOfIt }}</NuxtLink
          >
        </Panel>
      </div>
      <div class="space-y-4">
        <Caution v-if="!rebuild.ready" data-testid="not-ready" :lead="PROOF_PAGE.theBuildUpHoldsThe">{{
          PROOF_PAGE.openDoNotStartIt(rebuild.holds.filter(({ released }) => !released).length)
        }}</Caution>
        <Panel :title="PROOF_PAGE.running">
          <ul>
            <TaskRow
              v-for="task in PROOF_TASKS"
              :key="task.id"
              :sheet="sheet"
              :task="task"
              :done="job.record.tasks.get(task.id) ?? null"
              :may-tick="mine && rebuild.ready"
              @set="(state, more) => job.put({ type: 'task', task: task.id, state, ...more })" />
          </ul>
        </Panel>
        <form class="space-y-2 bg-sheet p-4" data-testid="next-check" novalidate @submit.prevent="keepCheck">
          <h2 class="text-lg font-bold">{{ PROOF_PAGE.lookedAtAgain }}</h2>
          <p v-if="job.record.check" class="text-body">
            {{ job.record.check.stopGap ? PROOF_PAGE.stopGap : ''
            }}{{
              [
                job.record.check.date,
                job.record.check.usage === undefined
                  ? ''
                  : usageWords({ value: job.record.check.usage, unit: job.job.usage.unit })
              ]
                .filter(Boolean)
                .join(PROOF_PAGE.orAtNext)
            }}
            ({{ job.record.check.by }}, <WhenAt :at="job.record.check.at" />).
            <a :href="`/api/jobs/${job.id}/check.ics`" download class="underline decoration-brass underline-offset-2">{{
              PROOF_PAGE.intoACalendar
            }}</a>
          </p>
          <div class="grid grid-cols-2 gap-2">
            <Field v-model="form.date" :label="PROOF_PAGE.on" type="date" /><Field
              v-model="form.usage"
              :label="PROOF_PAGE.orAt(USAGE_UNITS[job.job.usage.unit])"
              figure
              inputmode="decimal"
              maxlength="9" />
          </div>
          <label class="flex min-h-11 items-center gap-3"
            ><input v-model="form.stopGap" type="checkbox" class="size-6 accent-ink" />{{
              PROOF_PAGE.thisWasAStopGap
            }}</label
          >
          <Field v-model="form.note" :label="PROOF_PAGE.whatToLookAt" maxlength="1000" />
          <FaultNote v-if="fault" class="text-note">{{ fault }}</FaultNote>
          <button type="submit" class="act w-full" :disabled="!mine">{{ PROOF_PAGE.keep }}</button>
        </form>
        <button
          v-if="mine"
          type="button"
          class="act-main w-full"
          :disabled="!rebuild.ready || job.record.state === 'closed'"
          data-testid="close-job"
          @click="close">
          {{ job.record.state === 'closed' ? PROOF_PAGE.closed : PROOF_PAGE.closeTheJob }}
        </button>
        <TellAsCase v-if="job.record.state === 'closed'" :job="job.id" :complaint="job.job.complaint" />
      </div>
    </main>
  </div>
</template>

<script setup lang="ts">
import { midSentence } from '../../../words/spoken'
import { sayScan, SCAN_PANE } from '../../../words/en'
import { $fetch } from 'ofetch'
import { computed, ref } from 'vue'
import { readScan, type ScanLog, WARM_IDLE } from '../../../core/views/scan'
import { shownProblem } from '../../problem'
import { useOpenJob } from '../../stores/job'
import { fixDigits, lagWords, partName } from '../../words'
import FaultNote from '../parts/FaultNote.vue'
import TakeFile from '../parts/TakeFile.vue'

/**
 * Cam deviation from the engine computer: a CSV log, or the practice source plugged in; taken as readings when wanted;
 * `rebuilt`: of the drive after the repair.
 */
const props = defineProps<{ rebuilt?: boolean }>()
const job = useOpenJob()
const LIMIT_MB = 8
const log = ref<(ScanLog & { name: string }) | null>(null)
const problem = ref('')
const busy = ref(false)
const sheet = computed(() => job.job.sheet)

/** The parser is fetched when the first log is read: most jobs have none. */
async function read(text: string, name: string) {
  const { default: Papa } = await import('papaparse')
  const { data } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: true,
    transformHeader: (header) => header.trim()
  })
  log.value = { ...readScan(sheet.value, data), name }
}

async function take(file: File) {
  problem.value = file.size > LIMIT_MB * 1024 * 1024 ? SCAN_PANE.theLogIsLargerThan(LIMIT_MB) : ''
  if (!problem.value) await read(await file.text(), file.name)
}

async function plugIn() {
  busy.value = true
  problem.value = ''
  try {
    await read(await $fetch(`/api/jobs/${job.id}/scan`, { responseType: 'text' }), SCAN_PANE.practiceSource)
  } catch (error) {
    problem.value = shownProblem(error).message
  } finally {
    busy.value = false
  }
}

function keep() {
  if (!log.value) return
  const { name, deviations } = log.value
  for (const { sprocket, lag, samples } of deviations) {
    const said = props.rebuilt ? { type: 'rebuilt' as const, round: 'proof' as const } : { type: 'read' as const }
    job.put({
      ...said,
      reading: {
        kind: 'camLag',
        sprocket,
        value: Number(lag.toFixed(1)),
        method: 'scan',
        turnedForward: true,
        note: SCAN_PANE.samplesAtAWarmIdle(name, samples)
      }
    })
  }
  log.value = null
}
</script>

<template>
  <section :aria-label="SCAN_PANE.camDeviation">
    <h3 class="label">{{ SCAN_PANE.camDeviationCommandedAgainstActual }}</h3>
    <div class="mt-1 flex gap-1">
      <TakeFile class="act flex-1" :label="SCAN_PANE.csvLog" accept=".csv,text/csv" test-id="scan-input" @file="take">{{
        SCAN_PANE.readACsvLog
      }}</TakeFile>
      <button type="button" class="act flex-1" :disabled="busy" data-testid="plug-in" @click="plugIn">
        {{ SCAN_PANE.plugInThePracticeSource }}
      </button>
    </div>
    <p v-if="!rebuilt" class="mt-1 flex flex-wrap gap-x-2 text-note">
      {{ SCAN_PANE.orTypeItIn }}
      <button
        v-for="slot in job.slots.filter((s) => s.kind === 'camLag')"
        :key="slot.key"
        type="button"
        class="act-bare"
        @click="job.openSlot(slot)">
        {{ midSentence(partName(sheet, slot.part)) }}
      </button>
    </p>
    <FaultNote v-if="problem" class="mt-1">{{ problem }}</FaultNote>
    <div v-if="log" class="mt-2 border-l-4 border-brass bg-paper p-2" data-testid="scan-log">
      <p class="font-bold">{{ log.name }}</p>
      <FaultNote v-if="log.fault">{{ sayScan(log.fault) }}</FaultNote>
      <template v-else>
        <p class="text-note">
          {{ SCAN_PANE.ofSamplesAtAWarm(log.used, log.all, WARM_IDLE.coolant, WARM_IDLE.rpm) }}
        </p>
        <ul>
          <li v-for="d in log.deviations" :key="d.sprocket" class="flex justify-between gap-2">
            <span>{{ partName(sheet, d.sprocket) }}</span><span class="figure"
              >{{ lagWords(d.lag) }}
              <span class="font-normal text-faint">{{ SCAN_PANE.scatter(fixDigits(d.scatter, 1)) }}</span></span
            >
          </li>
        </ul>
        <p v-if="log.deviations.some((d) => d.scatter > 1.2)" class="text-note">
          {{ SCAN_PANE.aCamThatScattersSo }}
        </p>
        <button type="button" class="act-main mt-2 w-full" data-testid="keep-scan" @click="keep">
          {{ SCAN_PANE.takeAsReadings }}
        </button>
      </template>
    </div>
  </section>
</template>

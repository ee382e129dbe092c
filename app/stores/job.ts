import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Assessment } from '../../core/assess'
import { explainChange } from '../../core/estimate/change'
import { foldActs, type Act, type StandingReading } from '../../core/job/acts'
import { jobFile } from '../../core/job/assessRecord'
import type { KeptJob } from '../../core/job/exchange'
import { fills, readsSlot, slotsOf, type Slot } from '../../core/job/slots'
import type { School } from '../../core/job/types'
import type { Reading } from '../../core/readings/types'
import { assessInWorker } from '../composables/useEstimator'
import { useBench } from './bench'
import { useOutbox, type Delivered } from './outbox'

export interface LoadedJob {
  id: string
  job: KeptJob
  acts: Delivered[]
  assessment: Assessment
}

/** The job on the bench: what was done on it, what it means, and which reading is being looked at. */
export const useJob = defineStore('job', () => {
  const outbox = useOutbox()
  const bench = useBench()
  const id = ref('')
  const job = shallowRef<KeptJob | null>(null)
  const kept = shallowRef<Delivered[]>([])
  const assessment = shallowRef<Assessment | null>(null)
  /** What the last act changed, in words. */
  const change = ref('')
  const failed = ref('')
  const selected = ref('')
  let asked = 0

  const acts = computed<Act[]>(() => {
    const known = new Set(kept.value.map(({ act }) => act.id))
    const mine = !outbox.ready ? [] : outbox.waiting.filter(({ jobId, act }) => jobId === id.value && !known.has(act.id))
    return [...kept.value.map(({ act }) => act), ...mine.map(({ act }) => act)]
  })
  const record = computed(() => foldActs(acts.value, job.value?.school ?? 'on-evidence'))
  const slots = computed<Slot[]>(() => (job.value ? slotsOf(job.value.sheet) : []))
  const slot = computed(() => slots.value.find(({ key }) => key === selected.value) ?? slots.value[0] ?? null)

  /** The standing readings of a slot, each with its number in the assessment. */
  function readingsOf(of: Slot): { reading: StandingReading; index: number }[] {
    return record.value.readings.map((reading, index) => ({ reading, index })).filter(({ reading }) => fills(of, reading))
  }

  function open(loaded: LoadedJob): void {
    const other = loaded.id !== id.value
    id.value = loaded.id
    job.value = loaded.job
    kept.value = loaded.acts
    assessment.value = loaded.assessment
    if (!other) return
    change.value = ''
    selected.value = worthTaking()?.key ?? ''
  }

  /** The open slot that the estimate would gain most from, other than `not`. */
  function worthTaking(not?: string): Slot | null {
    for (const next of assessment.value?.next ?? []) {
      const found = slots.value.find((s) => readsSlot(next, s))
      if (found && found.key !== not && readingsOf(found).length === 0) return found
    }
    return slots.value.find((s) => s.key !== not && readingsOf(s).length === 0) ?? null
  }

  /** Puts an act on the job: shown at once, kept on this device, sent to the server. */
  function put(what: { type: 'read'; reading: Reading; supersedes?: string } | { type: 'undo'; act: string } | { type: 'school'; school: School }): { act: Act; settled: Promise<void> } {
    const act = { id: crypto.randomUUID(), by: bench.by, at: new Date().toISOString(), ...what } as Act
    outbox.put(id.value, act)
    return { act, settled: recompute(act) }
  }

  /** Assesses the job as it stands now; an answer overtaken by a newer question is dropped. */
  async function recompute(because?: Act): Promise<void> {
    if (!job.value) return
    const ask = ++asked
    const before = assessment.value
    const file = jobFile(job.value, acts.value)
    try {
      const after = await assessInWorker(file)
      if (ask !== asked) return
      assessment.value = after
      failed.value = ''
      if (before && because) change.value = explainChange(job.value.sheet, because, before, after)
    } catch {
      if (ask === asked) failed.value = 'The estimate could not be computed for these readings. They are kept; take back the last one or check it.'
    }
  }

  function confirm(jobId: string, delivered: Delivered): void {
    if (jobId !== id.value || kept.value.some(({ act }) => act.id === delivered.act.id)) return
    kept.value = [...kept.value, delivered].sort((a, b) => a.seq - b.seq)
  }

  return { id, job, acts, record, slots, slot, selected, assessment, change, failed, open, readingsOf, worthTaking, put, recompute, confirm }
})

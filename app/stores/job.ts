import { JOB } from '../../words/en'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Assessment } from '../../core/paths'
import { isReading, type NextReading } from '../../core/estimate'
import { foldActs, jobFile, usageOf, type Act, type KeptJob, type StandingReading } from '../../core/record'
import { isSameThing, type JobFile, type Of } from '../../core/readings'
import { fills, partsAt, readsSlot, type Slot, slotsOf, type Station, stationStates } from '../../core/views/bench'
import { loadLater } from '../later'
import { assessInWorker } from '../composables/useEstimator'
import { useBench } from './bench'
import { useOutbox, type Delivered } from './outbox'

export interface LoadedJob {
  id: string
  job: KeptJob
  acts: Delivered[]
  assessment: Assessment
  /** How many of the acts the assessment does not know yet. */
  behind?: number
}

/** Said only once something changes: kept out of what a job's pages load ahead. */
const loadWords = () => import('./changeWords')
if (typeof window !== 'undefined') loadLater(loadWords)

/** What an act says, before it has an id, a name and a time. */
type Said<A extends Act> = A extends Act ? Omit<A, 'id' | 'by' | 'at'> : never
export type ActContent = Said<Exclude<Act, { type: 'signoff' | 'choice' }>> | { type: 'signoff'; seen?: string }

/** The side of a part that the panel shows when it is not a figure. */
export type Side = 'findings' | 'photos' | 'about'

type JobStore = ReturnType<typeof useJob>

/** The store while a job is open. */
export interface OpenJob extends Omit<JobStore, 'job' | 'assessment' | 'file'> {
  readonly job: KeptJob
  readonly assessment: Assessment
  readonly file: JobFile
}

/** The job that is open: its pages stand only while one is. @throws Error without one */
export function useOpenJob(): OpenJob {
  const store = useJob()
  if (!store.job || !store.assessment || !store.file) throw new Error('no job is open')
  return store as OpenJob
}

/** The job on the bench: what was done on it, what it means, and which station and part are being looked at. */
export const useJob = defineStore('job', () => {
  const outbox = useOutbox()
  const bench = useBench()
  const id = ref('')
  /** As it was opened. */
  const opened = shallowRef<KeptJob | null>(null)
  const kept = shallowRef<Delivered[]>([])
  const assessment = shallowRef<Assessment | null>(null)
  /** What the last act changed, in words. */
  const change = ref('')
  const failed = ref('')
  /** How many acts, as the job was opened, its assessment does not know yet. */
  const behind = ref(0)
  const station = ref<Station>(1)
  /** Key of the slot whose figure is read; empty while another side of a part is shown. */
  const selected = ref('')
  /** The part whose findings, photos or facts are shown. */
  const part = ref('')
  const side = ref<Side>('findings')
  /** How often a part was gone to, the one that is open too. */
  const visits = ref(0)
  let asked = 0
  /** Acts that no assessment shows yet. */
  let unsaid: Act[] = []

  const acts = computed<Act[]>(() => {
    const known = new Set(kept.value.map(({ act }) => act.id))
    // A sign-off is what the server makes of it: until then there is none.
    const mine = !outbox.ready
      ? []
      : outbox.waiting.filter(({ jobId, act }) => jobId === id.value && act.type !== 'signoff' && !known.has(act.id))
    return [...kept.value.map(({ act }) => act), ...mine.map(({ act }) => act)]
  })
  const openedUnder = computed(() => opened.value?.school ?? 'on-evidence')
  const record = computed(() => foldActs(acts.value, openedUnder.value))
  /** With the drive sheet in force, and what really stood on the clock. */
  const job = computed<KeptJob | null>(
    () =>
      opened.value && {
        ...opened.value,
        usage: usageOf(opened.value.usage, record.value),
        ...(record.value.moved ? { sheet: record.value.moved.sheet, sheetRevision: record.value.moved.revision } : {})
      }
  )
  const corrections = computed(() => record.value.corrections ?? job.value?.corrections ?? null)
  const slots = computed<Slot[]>(() => (job.value ? slotsOf(job.value.sheet) : []))
  const slot = computed(() => slots.value.find(({ key }) => key === selected.value) ?? null)
  /** The job as the core reads it. */
  const file = computed(() => (opened.value ? jobFile(opened.value, acts.value) : null))
  const stations = computed(() => (job.value ? stationStates(job.value.sheet, record.value.readings) : []))

  /** The standing readings of a slot. */
  function readingsOf(of: Slot): StandingReading[] {
    return record.value.readings.filter((reading) => fills(of, reading))
  }

  const byId = computed(() => new Map(record.value.readings.map((reading) => [reading.id, reading])))
  const estimates = computed(() => new Map(assessment.value?.readings.map((one) => [one.id, one])))
  /** The standing reading of an id, and what the estimate says of it. */
  const readingById = (reading: string) => byId.value.get(reading) ?? null
  const estimateOf = (reading: string) => estimates.value.get(reading) ?? null

  /** The standing reading of a finding, where it was made. */
  function findingOf(target: string, finding: string): StandingReading | null {
    return (
      record.value.readings.find((r) =>
        isSameThing(r, { kind: 'condition', target, finding, ...(r.bank === undefined ? {} : { bank: r.bank }) })
      ) ?? null
    )
  }

  function open(loaded: LoadedJob): void {
    const other = loaded.id !== id.value
    id.value = loaded.id
    opened.value = loaded.job
    kept.value = loaded.acts
    assessment.value = loaded.assessment
    behind.value = loaded.behind ?? 0
    unsaid = []
    if (!other) return
    change.value = ''
    if (record.value.readings.length === 0) openStation(1)
    else openSlot(worthTaking())
  }

  function openSlot(found: Slot | null): void {
    if (!found) return openStation(5)
    visits.value++
    station.value = found.station
    selected.value = found.key
    part.value = found.part
  }

  /** Shows a side of a part other than its figures. */
  function openSide(of: string, shown: Side): void {
    visits.value++
    selected.value = ''
    part.value = of
    side.value = shown
  }

  /**
   * Goes to a station: to the first figure there that is not read yet, else to the first part's findings; never back to
   * what is read.
   */
  function openStation(number: Station): void {
    station.value = number
    const mine = slots.value.filter((s) => s.station === number)
    const next = mine.find((s) => readingsOf(s).length === 0)
    if (next) openSlot(next)
    else if (job.value) openSide(partsAt(job.value.sheet, number)[0]!, 'findings')
  }

  /** The open slot that the estimate would gain most from, other than `not`. */
  function worthTaking(not?: string): Slot | null {
    const { next = [], decision } = assessment.value ?? {}
    const isWorth = ({ worth = 0, minutes }: NextReading) => worth > minutes * (decision?.minute ?? 0)
    for (const one of next.filter(isReading)) {
      const found = slots.value.find((s) => readsSlot(one, s))
      // What was read already is only read again where that is worth its minutes.
      if (found && found.key !== not && (readingsOf(found).length === 0 || isWorth(one))) return found
    }
    return slots.value.find((s) => s.key !== not && readingsOf(s).length === 0) ?? null
  }

  /** Puts an act on the job: shown at once, kept on this device, sent to the server. */
  function put(what: ActContent): { act: Act; settled: Promise<void> } {
    const act = { id: crypto.randomUUID(), by: bench.by, at: new Date().toISOString(), ...what } as Act
    outbox.put(id.value, act)
    return { act, settled: recompute(act) }
  }

  /**
   * Notes a finding, or takes it back when it stands; of a group of which one holds, the others are taken back first.
   */
  function toggleFinding(reading: Of<'condition'>, others: readonly string[] = []): void {
    const standing = findingOf(reading.target, reading.finding)
    if (standing) {
      put({ type: 'undo', act: standing.id })
      return
    }
    for (const other of others) {
      const stands = other === reading.finding ? null : findingOf(reading.target, other)
      if (stands) put({ type: 'undo', act: stands.id })
    }
    put({ type: 'read', reading })
  }

  /** Assesses the job as it stands now; an answer overtaken by a newer question is dropped. */
  async function recompute(...because: Act[]): Promise<void> {
    if (!job.value || !file.value) return
    const ask = ++asked
    unsaid.push(...because)
    const before = assessment.value
    try {
      const after = await assessInWorker(file.value)
      if (ask !== asked) return
      assessment.value = after
      behind.value = 0
      failed.value = ''
      const told = unsaid
      unsaid = []
      if (before && told.length > 0) await tellChange(ask, told, before, after)
    } catch {
      if (ask === asked) failed.value = JOB.theEstimateCouldNotBe
    }
  }

  /** Says what acts moved; overtaken meanwhile, they are said with what overtook them. */
  async function tellChange(ask: number, told: Act[], before: Assessment, after: Assessment): Promise<void> {
    const words = await loadWords().catch(() => null)
    if (ask !== asked) unsaid = [...told, ...unsaid]
    else if (words && job.value) change.value = saidOf(told, words.changeWords(job.value.sheet, told, before, after))
  }

  /**
   * Acts that the server has kept: this device's own, or others', which are then assessed together and told with their
   * names.
   */
  function confirm(jobId: string, ...delivered: Delivered[]): void {
    const known = new Set(kept.value.map(({ act }) => act.id))
    const fresh = jobId === id.value ? delivered.filter(({ act }) => !known.has(act.id)) : []
    if (fresh.length === 0) return
    const shown = new Set(acts.value.map((act) => act.id))
    kept.value = [...kept.value, ...fresh].sort((a, b) => a.seq - b.seq)
    const unseen = fresh.filter(({ act }) => act.type === 'signoff' || !shown.has(act.id))
    if (unseen.length > 0) void recompute(...unseen.map(({ act }) => act))
  }

  /** What changed, with the names of those who did it where it was somebody else. */
  function saidOf(because: readonly Act[], words: string): string {
    const others = [...new Set(because.map(({ by }) => by))]
    return others.every((by) => by === bench.by) ? words : JOB.by(others, words)
  }

  /** The job as the server would give it. */
  function loaded(): LoadedJob | null {
    if (!opened.value || !assessment.value) return null
    return { id: id.value, job: opened.value, acts: kept.value, assessment: assessment.value, behind: behind.value }
  }

  /** How many acts the server is known to have. */
  function held(): number {
    return kept.value.length
  }

  /** Is the act at a place in the workshop's order here? */
  function holds(place: number): boolean {
    return kept.value.some(({ seq }) => seq === place)
  }

  /** Place of the newest act known to be kept. */
  function lastSeq(): number {
    return kept.value.at(-1)?.seq ?? 0
  }

  return {
    id,
    job,
    acts,
    record,
    openedUnder,
    file,
    corrections,
    slots,
    slot,
    stations,
    station,
    selected,
    part,
    side,
    assessment,
    change,
    failed,
    behind,
    readingById,
    estimateOf,
    open,
    visits,
    openSlot,
    openSide,
    openStation,
    readingsOf,
    findingOf,
    worthTaking,
    put,
    toggleFinding,
    recompute,
    confirm,
    loaded,
    held,
    holds,
    lastSeq
  }
})

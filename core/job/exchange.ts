import { listOf, needed, schemaFaults, shape, text, words } from '../check/rules'
import { mixed } from 'yup'
import { sheetFaults } from '../sheet/readSheet'
import type { DriveSheet, Fault } from '../sheet/types'
import { actFaults } from './actFaults'
import { foldActs, sheetInForce, type Act } from './acts'
import { jobFile } from './assessRecord'
import { correctionsSchema, earlierKnownFields, readJob } from './readJob'
import { upgraded } from './upgrade'
import type { Corrections, EarlierKnown, JobFacts, JobFile, KeptJob, School } from './types'

/** A job as it travels between machines: what the core reads, and all that was ever done on it. */
export interface JobExport extends JobFile {
  job: JobFacts
  /** The school the job was opened under, before any act changed it. */
  openedUnder: School
  /** What was known of the engine then. */
  openedWith: { corrections?: Corrections } & EarlierKnown
  /** The drive sheet it was opened with, where it was moved to another revision since. */
  openedOn?: DriveSheet
  acts: Act[]
  /** Its photos as JPEG in base64, where they travel with it. */
  photos?: { id: string; jpeg: string }[]
}

/** The same out of a file. */
function earlierKnown({ fitted, horizon, history, pricing }: EarlierKnown): { known?: EarlierKnown } {
  const known = { ...(fitted ? { fitted } : {}), ...(horizon === undefined ? {} : { horizon }), ...(history ? { history } : {}), ...(pricing ? { pricing } : {}) }
  return Object.keys(known).length > 0 ? { known } : {}
}

/** The job as one file; `readings` are those that stand, `acts` everything. */
export function exportJob(job: KeptJob, acts: readonly Act[]): JobExport {
  const { corrections, drive, fitted, pricing, readings, school } = jobFile(job, acts)
  const openedWith = { ...(job.corrections ? { corrections: job.corrections } : {}), ...job.known }
  const { vehicle, stand, complaint, openedBy, openedAt } = job
  return {
    format: 'umbrette-job', version: 1,
    job: { vehicle, stand, complaint, openedBy, openedAt },
    usage: job.usage, school, openedUnder: job.school, openedWith,
    ...(corrections ? { corrections } : {}), ...job.known, ...(fitted ? { fitted } : {}), ...(pricing ? { pricing } : {}),
    readings, acts: [...acts], drive, ...(drive === job.sheet ? {} : { openedOn: job.sheet })
  }
}

export const factsSchema = {
  vehicle: words(120),
  stand: text(60), complaint: text(4000), openedBy: text(80), openedAt: text(40)
}

const exportSchema = shape({ job: shape(factsSchema), openedUnder: text(20), openedWith: shape({ corrections: correctionsSchema, ...earlierKnownFields }), acts: listOf(mixed(), 20_000), openedOn: mixed(), photos: listOf(shape({ id: text(64).required(needed), jpeg: text(24 * 1024 * 1024).required(needed) }).required(needed), 500) })

/**
 * A job file from another machine, or one written by hand with readings alone: those become acts of `importer`.
 * @returns the job and its acts, or every fault with its place
 */
export function importJob(older: unknown, importer: { by: string; at: string; newId: () => string }): { job: KeptJob; acts: Act[]; faults: [] } | { job: null; acts: []; faults: Fault[] } {
  const value = upgraded(older)
  const read = readJob(value)
  if (!read.job) return refused(read.faults)
  const structure = schemaFaults(exportSchema, value)
  if (structure.length > 0) return refused(structure)
  const file = value as JobFile & Partial<JobExport>
  const acts = file.acts ?? file.readings.map((reading): Act => ({ id: importer.newId(), type: 'read', by: reading.by ?? importer.by, at: reading.at ?? importer.at, reading: bare(reading) }))
  const opened = file.openedOn ?? file.drive
  const faults = [...(file.openedOn ? sheetFaults(file.openedOn, 'openedOn') : []), ...(file.acts ? actListFaults(opened, acts) : [])]
  if (faults.length > 0) return refused(faults)
  const openedUnder = (file.openedUnder ?? file.school) as School
  if (file.acts && JSON.stringify(foldActs(acts, openedUnder).readings.map((r) => r.id)) !== JSON.stringify(file.readings.map((r) => r.id))) {
    return refused([{ place: 'readings', message: 'are not what the acts of this file come to: it was edited. Remove "acts" to take the readings as they are' }])
  }
  if (file.openedOn && JSON.stringify(sheetInForce(opened, acts)) !== JSON.stringify(file.drive)) {
    return refused([{ place: 'drive', message: 'is not the sheet that the acts of this file moved the job to: it was edited' }])
  }
  const openedWith = file.openedWith ?? file
  const facts = file.job ?? { vehicle: file.drive.name, stand: '', complaint: '', openedBy: importer.by, openedAt: importer.at }
  return { job: { ...facts, sheet: opened, usage: file.usage, school: openedUnder, corrections: openedWith.corrections ?? null, ...earlierKnown(openedWith) }, acts, faults: [] }
}

function refused(faults: Fault[]): { job: null; acts: []; faults: Fault[] } {
  return { job: null, acts: [], faults }
}

function bare({ id: _id, by: _by, at: _at, ...reading }: JobFile['readings'][number]) {
  return reading
}

function actListFaults(opened: DriveSheet, acts: readonly Act[]): Fault[] {
  const before = new Map<string, Act>()
  let sheet = opened
  return acts.flatMap((act, i) => {
    const faults = actFaults(sheet, before, act, `acts[${i}]`, opened)
    if (faults.length > 0) return faults
    if (before.has(act.id)) return [{ place: `acts[${i}].id`, message: 'stands twice in this file' }]
    before.set(act.id, act)
    if (act.type === 'sheet' || act.type === 'undo') sheet = sheetInForce(opened, [...before.values()])
    return []
  })
}

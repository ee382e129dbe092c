import { lazy } from 'yup'
import { id, needed, num, oneOf, schemaFaults, shape, text, words } from '../check/rules'
import { partKindOf } from '../readings/conditions'
import { readingSchema, readingStructureFaults } from '../readings/checkReading'
import { impossibleReading } from '../readings/impossible'
import { READING_KINDS } from '../readings/kinds'
import type { Reading } from '../readings/types'
import type { DriveSheet, Fault } from '../sheet/types'
import { correctionsSchema } from './readJob'
import type { Corrections, School } from './types'

/**
 * Acts: what people did on a job, in order, never changed afterwards. Each has its own id, so that sending it twice does
 * nothing. A correction is a new reading that names the one it supersedes; taking back is an act too, and so is taking
 * that back.
 */
interface ActBase {
  id: string
  by: string
  /** ISO time at the bench. */
  at: string
}

export interface ReadAct extends ActBase {
  type: 'read'
  reading: Reading
  /** Id of the act whose reading this one corrects. */
  supersedes?: string
}

export interface UndoAct extends ActBase {
  type: 'undo'
  /** Id of the act that is taken back. */
  act: string
}

export interface SchoolAct extends ActBase {
  type: 'school'
  school: School
}

/** What is known of the engine that shifts readings, as a whole: it takes the place of what was known before. */
export interface CorrectionsAct extends ActBase {
  type: 'corrections'
  corrections: Corrections
}

/** What is known of a fitted part: its design and make, and when it was fitted. */
export interface PartAct extends ActBase {
  type: 'part'
  part: string
  known: PartKnown
}

export interface PartKnown {
  design?: string
  make?: string
  /** Usage at which it was fitted, in the job's unit. */
  fittedAt?: number
}

/** A photo that the server keeps, put to a part. */
export interface PhotoAct extends ActBase {
  type: 'photo'
  photo: string
  /** Id of the part, or `oil`, `fasteners`, `engine`. */
  part: string
  note?: string
}

/** Where a job has gone: closed when it is done, archived when nobody needs it on the board, deleted when it was a mistake. */
export type JobState = 'open' | 'closed' | 'archived' | 'deleted'

export interface StateAct extends ActBase {
  type: 'state'
  state: JobState
}

export type Act = ReadAct | UndoAct | SchoolAct | CorrectionsAct | PartAct | PhotoAct | StateAct

/** A reading that stands, with who took it and when. */
export type StandingReading = Reading & { id: string; by: string; at: string }

/** What the acts of a job come to. */
export interface Record {
  readings: StandingReading[]
  school: School
  state: JobState
  /** Null where nobody has said anything on this job: then those it was opened with hold. */
  corrections: Corrections | null
  /** What was said last of each part. */
  parts: ReadonlyMap<string, PartKnown>
  photos: PhotoAct[]
  /** Ids of acts that were taken back. */
  undone: Set<string>
  /** Act that superseded each superseded act. */
  superseded: Map<string, string>
  /** Readings corrected by two people at once, who did not see each other's: by the reading corrected, the corrections that stand. */
  clashes: Map<string, string[]>
}

/** What acts come to, in their order. An act taken back counts for nothing, and so does the taking back when it is itself taken back. */
export function foldActs(acts: readonly Act[], school: School): Record {
  const undone = new Set<string>()
  for (const act of acts.toReversed()) if (act.type === 'undo' && !undone.has(act.id)) undone.add(act.act)
  const standing = acts.filter((act) => !undone.has(act.id))
  const superseded = new Map<string, string>()
  for (const act of standing) if (act.type === 'read' && act.supersedes) superseded.set(act.supersedes, act.id)
  return {
    readings: standing.flatMap((act) => (act.type === 'read' && !superseded.has(act.id) ? [standingReading(act)] : [])),
    school: standing.findLast((act): act is SchoolAct => act.type === 'school')?.school ?? school,
    state: standing.findLast((act): act is StateAct => act.type === 'state')?.state ?? 'open',
    corrections: standing.findLast((act): act is CorrectionsAct => act.type === 'corrections')?.corrections ?? null,
    parts: new Map(standing.flatMap((act) => (act.type === 'part' ? [[act.part, act.known]] : []))),
    photos: standing.filter((act): act is PhotoAct => act.type === 'photo'),
    undone, superseded, clashes: clashesOf(standing, superseded)
  }
}

/** Corrections of one reading that both stand, as neither corrects the other: both are kept until one is taken back. */
function clashesOf(standing: readonly Act[], superseded: ReadonlyMap<string, string>): Map<string, string[]> {
  const corrections = new Map<string, string[]>()
  for (const act of standing) {
    if (act.type === 'read' && act.supersedes && !superseded.has(act.id)) corrections.set(act.supersedes, [...(corrections.get(act.supersedes) ?? []), act.id])
  }
  return new Map([...corrections].filter(([, ids]) => ids.length > 1))
}

function standingReading({ id, by, at, reading }: ReadAct): StandingReading {
  return { ...reading, id, by, at }
}

const base = { id: text(64).required(needed).min(1, needed), by: words(80, 'choose who is at the bench'), at: isoTime() }

const actSchemas: { [type: string]: ReturnType<typeof shape> } = {
  read: shape({ ...base, type: oneOf('read').required(needed), reading: readingSchema, supersedes: text(64) }).required(needed),
  undo: shape({ ...base, type: oneOf('undo').required(needed), act: text(64).required(needed) }).required(needed),
  corrections: shape({ ...base, type: oneOf('corrections').required(needed), corrections: correctionsSchema.required(needed) }).required(needed),
  part: shape({ ...base, type: oneOf('part').required(needed), part: id().required(needed), known: shape({ design: text(200), make: text(120), fittedAt: num(0, 1e7) }).required(needed) }).required(needed),
  photo: shape({ ...base, type: oneOf('photo').required(needed), photo: text(64).required(needed), part: id().required(needed), note: text(4000) }).required(needed),
  state: shape({ ...base, type: oneOf('state').required(needed), state: oneOf('open', 'closed', 'archived', 'deleted').required(needed) }).required(needed),
  school: shape({ ...base, type: oneOf('school').required(needed), school: oneOf('whole-set', 'on-evidence', 'weighed').required(needed) }).required(needed)
}

/** Structure of one act, whatever its type. */
export const actSchema = lazy((value: unknown) => actSchemas[String((value as { type?: unknown } | null)?.type)] ?? shape({ type: oneOf(...Object.keys(actSchemas)).required(needed) }).required('expected an act'))

/** The acts of a job before the one in question, by id. */
export type ActsBefore = ReadonlyMap<string, Act>

/** What makes an act from outside no act on this job; empty when it can stand. A reading that cannot be true is not its concern. */
export function actFaults(sheet: DriveSheet, before: ActsBefore, value: unknown, place = ''): Fault[] {
  const structure = schemaFaults(actSchema as never, value, place)
  if (structure.length > 0) return structure
  const act = value as Act
  const at = (field: string) => (place ? `${place}.${field}` : field)
  if (act.type === 'undo') return before.has(act.act) ? [] : [{ place: at('act'), message: 'there is no such act on this job' }]
  if (act.type === 'school' || act.type === 'corrections' || act.type === 'state') return []
  if (act.type !== 'read') return partKindOf(sheet, act.part) ? [] : [{ place: at('part'), message: `"${act.part}" is no part of this drive` }]
  const faults = readingStructureFaults(sheet, act.reading, at('reading'))
  if (faults.length > 0) return faults
  return act.supersedes === undefined ? [] : supersedingFaults(before, act, at('supersedes'))
}

/** What is wrong with an act as it is entered: besides its structure, a reading that cannot be true of this drive is refused. */
export function entryFaults(sheet: DriveSheet, before: ActsBefore, value: unknown): Fault[] {
  const faults = actFaults(sheet, before, value)
  if (faults.length > 0) return faults
  const act = value as Act
  const impossible = act.type === 'read' ? impossibleReading(sheet, act.reading) : null
  return impossible ? [{ place: 'reading.value', message: impossible }] : []
}

function supersedingFaults(before: ActsBefore, act: ReadAct, place: string): Fault[] {
  const old = before.get(act.supersedes!)
  if (old?.type !== 'read') return [{ place, message: 'there is no such reading on this job' }]
  return sameThing(old.reading, act.reading) ? [] : [{ place, message: 'a correction must be of the same kind and part as the reading it supersedes' }]
}

/** Do two readings read the same thing on the same part? */
export function sameThing(a: Reading, b: Reading): boolean {
  if (a.kind === 'condition') return b.kind === 'condition' && a.target === b.target && a.finding === b.finding && a.bank === b.bank
  return a.kind === b.kind && READING_KINDS[a.kind].target.filter((field) => field !== 'links').every((field) => a[field] === b[field])
}

function isoTime() {
  return text(40).required(needed).test('time', 'expected an ISO time', (v) => v === undefined || !Number.isNaN(Date.parse(v)))
}

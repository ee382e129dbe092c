import { READING_KINDS } from '../readings/kinds'
import type { Reading } from '../readings/types'
import type { DriveSheet } from '../sheet/types'
import type { Assessment } from '../assess'
import type { Call } from '../calls/types'
import type { Pricing } from '../paths/pricing'
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

/** What a job waits for, so that nobody stands at the engine in vain. */
export type WaitsFor = 'part' | 'customer' | 'nothing'

export interface WaitsAct extends ActBase {
  type: 'waits'
  for: WaitsFor
  note?: string
}

/** The job moved to another revision of its drive sheet, with that revision, so that the job needs nothing but itself. */
export interface SheetAct extends ActBase {
  type: 'sheet'
  sheet: DriveSheet
  revision: number
}

/** A mechanic's own call on a part, with the reason; the evidence's call stays visible under it. */
export interface OverruleAct extends ActBase {
  type: 'overrule'
  part: string
  call: Call
  reason: string
}

/** What this job is priced with, as a whole: it takes the place of what was said before. */
export interface PricingAct extends ActBase {
  type: 'pricing'
  pricing: Pricing
}

/** The path that the workshop advises. */
export interface PathAct extends ActBase {
  type: 'path'
  /** Components renewed. */
  renew: string[]
}

/** The verdict as it was signed: what stood then, and what it was computed with. */
export interface SignoffAct extends ActBase {
  type: 'signoff'
  /** 1 for the first. */
  revision: number
  /** Version of the computation. */
  core: string
  sheetRevision: number | null
  assessment: Assessment
}

/** What the customer chose on the page that was shared. `by` is the name they typed. */
export interface ChoiceAct extends ActBase {
  type: 'choice'
  /** Id of the share it came through. */
  share: string
  renew: string[]
  price: number
}

/** A step of the build-up or the proof, done or taken up again, with what was noted with it. */
export interface TaskAct extends ActBase {
  type: 'task'
  task: string
  state: 'done' | 'open'
  note?: string
  value?: number
}

/** A reading on the rebuilt drive: as set, after two turns, or of the running engine. It says nothing of the drive as it was found. */
export interface RebuiltAct extends ActBase {
  type: 'rebuilt'
  round: 'set' | 'turned' | 'proof'
  reading: Reading
}

/** A bolt hole of a cover with the length of its bolt, put on the picture at teardown. */
export interface HoleAct extends ActBase {
  type: 'hole'
  /** Id of the operation that took the cover off. */
  cover: string
  /** Place on the picture, 0 to 1 from left and top. */
  x: number
  y: number
  /** mm. */
  length: number
}

/** A hold released by word, with the reason. */
export interface ReleaseAct extends ActBase {
  type: 'release'
  hold: string
  reason: string
}

/** When the drive is looked at again; a stop-gap is no repair and nags. */
export interface CheckAct extends ActBase {
  type: 'check'
  /** ISO date. */
  date?: string
  /** Engine usage, in the job's unit. */
  usage?: number
  stopGap: boolean
  note?: string
}

export type Act = ReadAct | UndoAct | SchoolAct | CorrectionsAct | PartAct | PhotoAct | StateAct | WaitsAct | SheetAct | OverruleAct | PricingAct | PathAct | SignoffAct | ChoiceAct | TaskAct | RebuiltAct | HoleAct | ReleaseAct | CheckAct

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
  /** Null while the job waits for nothing but work. */
  waits: WaitsAct | null
  /** The revision the job was moved to last; null for the one it was opened with. */
  moved: SheetAct | null
  /** The last word on each part that was overruled. */
  overrules: ReadonlyMap<string, OverruleAct>
  pricing: Pricing | null
  path: PathAct | null
  /** Oldest first. */
  signoffs: SignoffAct[]
  choice: ChoiceAct | null
  /** The last word on each step. */
  tasks: ReadonlyMap<string, TaskAct>
  rebuilt: RebuiltAct[]
  holes: HoleAct[]
  releases: ReadonlyMap<string, ReleaseAct>
  check: CheckAct | null
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
  const last = <T extends Act['type']>(type: T) => standing.findLast((act): act is Extract<Act, { type: T }> => act.type === type) ?? null
  return {
    readings: standing.flatMap((act) => (act.type === 'read' && !superseded.has(act.id) ? [standingReading(act)] : [])),
    school: last('school')?.school ?? school,
    state: last('state')?.state ?? 'open',
    corrections: last('corrections')?.corrections ?? null,
    parts: new Map(standing.flatMap((act) => (act.type === 'part' ? [[act.part, act.known]] : []))),
    photos: standing.filter((act): act is PhotoAct => act.type === 'photo'),
    waits: waiting(last('waits')),
    moved: last('sheet'),
    overrules: new Map(standing.flatMap((act) => (act.type === 'overrule' ? [[act.part, act]] : []))),
    pricing: last('pricing')?.pricing ?? null,
    path: last('path'),
    signoffs: standing.filter((act): act is SignoffAct => act.type === 'signoff'),
    choice: last('choice'),
    tasks: new Map(standing.flatMap((act) => (act.type === 'task' ? [[act.task, act]] : []))),
    rebuilt: standing.filter((act): act is RebuiltAct => act.type === 'rebuilt'),
    holes: standing.filter((act): act is HoleAct => act.type === 'hole'),
    releases: new Map(standing.flatMap((act) => (act.type === 'release' ? [[act.hold, act]] : []))),
    check: last('check'),
    undone, superseded, clashes: clashesOf(standing, superseded)
  }
}

function waiting(act: WaitsAct | null): WaitsAct | null {
  return act && act.for !== 'nothing' ? act : null
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

/** The drive sheet that holds after these acts. */
export function sheetInForce(opened: DriveSheet, acts: readonly Act[]): DriveSheet {
  return foldActs(acts, 'on-evidence').moved?.sheet ?? opened
}

/** Do two readings read the same thing on the same part? */
export function sameThing(a: Reading, b: Reading): boolean {
  if (a.kind === 'condition') return b.kind === 'condition' && a.target === b.target && a.finding === b.finding && a.bank === b.bank
  return a.kind === b.kind && READING_KINDS[a.kind].target.filter((field) => field !== 'links').every((field) => a[field] === b[field])
}

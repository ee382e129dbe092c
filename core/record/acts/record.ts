import type { Pricing, School } from '../../readings'
import type { DriveSheet } from '../../sheet'
import type { Corrections } from '../../drive'
import type { ActOf, JobState, PartKnown } from './registry'
import type { StandingReading } from './standing'

/** What the acts of a job come to. */
export interface JobRecord {
  readings: StandingReading[]
  school: School
  /** What really stood on the clock; null where what the job was opened with holds. */
  usage: number | null
  state: JobState
  /** Null where nobody has said anything on this job: then those it was opened with hold. */
  corrections: Corrections | null
  /** What was said last of each part. */
  parts: Map<string, PartKnown>
  photos: ActOf<'photo'>[]
  /** Null while the job waits for nothing but work. */
  waits: ActOf<'waits'> | null
  /** The revision the job was moved to last; null for the one it was opened with. */
  moved: ActOf<'sheet'> | null
  /** The last word on each part that was overruled. */
  overrules: Map<string, ActOf<'overrule'>>
  pricing: Pricing | null
  path: ActOf<'path'> | null
  /** The lines that were typed last. */
  estimate: ActOf<'estimate'> | null
  /** Traces kept as good, oldest first. */
  goodTraces: ActOf<'goodTrace'>[]
  /** Oldest first. */
  signoffs: ActOf<'signoff'>[]
  choice: ActOf<'choice'> | null
  /** The last word on each step. */
  tasks: Map<string, ActOf<'task'>>
  rebuilt: ActOf<'rebuilt'>[]
  holes: ActOf<'hole'>[]
  releases: Map<string, ActOf<'release'>>
  check: ActOf<'check'> | null
  /** Ids of acts that were taken back. */
  undone: Set<string>
  /** Act that superseded each superseded act. */
  superseded: Map<string, string>
  /** Act that each correction corrects. */
  corrects: Map<string, string>
  /**
   * Readings corrected by two people at once, who did not see each other's: by the reading corrected, the corrections
   * that stand.
   */
  clashes: Map<string, string[]>
}

/** What a job comes to before anything was done on it. */
export function emptyRecord(school: School): JobRecord {
  return {
    readings: [],
    school,
    usage: null,
    state: 'open',
    corrections: null,
    parts: new Map(),
    photos: [],
    waits: null,
    moved: null,
    overrules: new Map(),
    pricing: null,
    path: null,
    estimate: null,
    goodTraces: [],
    signoffs: [],
    choice: null,
    tasks: new Map(),
    rebuilt: [],
    holes: [],
    releases: new Map(),
    check: null,
    undone: new Set(),
    superseded: new Map(),
    corrects: new Map(),
    clashes: new Map()
  }
}

/** The drive sheet that holds after what was done. */
export function sheetOf(opened: DriveSheet, { moved }: Pick<JobRecord, 'moved'>): DriveSheet {
  return moved?.sheet ?? opened
}

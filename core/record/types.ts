import type { Corrections } from '../drive'
import type { EarlierKnown, School, Usage } from '../readings'
import type { DriveSheet } from '../sheet'
import type { factFields } from './schema'

/** What a workshop keeps of a job beside its readings. */
export type JobFacts = { readonly [K in keyof typeof factFields]: string }

/** A job as it was opened; what was done on it since stands in its acts. */
export interface KeptJob extends JobFacts {
  sheet: DriveSheet
  /** Revision of the workshop's sheet that is; absent for a job from a file. */
  sheetRevision?: number | null
  /** The workshop's vehicle it is on; absent for a job from a file until it is put to one. */
  vehicleId?: string | null
  usage: Usage
  /** The school it was opened under. */
  school: School
  corrections: Corrections | null
  /** Parts' ages, earlier estimates and horizon, where the job came with them. */
  known?: EarlierKnown | null
}

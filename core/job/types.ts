import type { Shape } from '../check/rules'
import type { DriveSheet } from '../sheet/types'
import type { correctionsSchema, earlierKnownSchema, factFields, usageSchema, WholeJobFile } from './schema'

export type Corrections = NonNullable<Shape<typeof correctionsSchema>>

export type School = WholeJobFile['school']

export type Usage = Shape<typeof usageSchema>

export type UsageUnit = Usage['unit']

/** What is known of an engine beside this job's readings. */
export type EarlierKnown = NonNullable<Shape<typeof earlierKnownSchema>>

/** How long a chain was at some usage. */
export type WearPoint = NonNullable<EarlierKnown['history']>[string][number]

/** What the core needs of a job to assess it: the sheet, the readings that stand, and under which school. */
export type JobFile = Pick<WholeJobFile, 'format' | 'version' | 'drive' | 'usage' | 'school' | 'corrections' | 'readings' | keyof EarlierKnown>

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

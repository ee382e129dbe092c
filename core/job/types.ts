import type { DriveSheet } from '../sheet/types'
import type { Pricing } from '../paths/pricing'
import type { Reading } from '../readings/types'

/** Things known about this engine that shift readings as much as wear does. */
export interface Corrections {
  /** mm machined off the head or block face, by bank. */
  skim?: Record<string, number>
  /** Engine temperature when it was read, °C, and what the block is made of. */
  temperature?: { celsius: number; block: 'aluminium' | 'iron' }
  /** Crank degrees (+ = late) that an offset key or dowel adds to a cam's reading, by sprocket. */
  offsetKeys?: Record<string, number>
}

/** How long a chain was at some usage. */
export interface WearPoint {
  /** Of the engine, in the job's unit. */
  usage: number
  /** Elongation, fractions. */
  mean: number
  sd: number
}

export type School = 'whole-set' | 'on-evidence' | 'weighed'

export type UsageUnit = 'km' | 'mi' | 'h'

export interface Usage {
  value: number
  unit: UsageUnit
}

/** What is known of an engine beside this job's readings. */
export interface EarlierKnown {
  /** Usage at which a component was fitted, by id; absent for one that came with the engine. */
  fitted?: Record<string, number>
  /** Usage from now over which coming back counts. */
  horizon?: number
  /** What paths are priced with, where it is not the sheet's and the defaults. */
  pricing?: Pricing
  /** Earlier estimates of the same chains, by id, from jobs on this engine. */
  history?: Record<string, WearPoint[]>
}

/** What the core needs of a job to assess it: the sheet, the readings that stand, and under which school. */
export interface JobFile extends EarlierKnown {
  format: 'umbrette-job'
  version: 1
  drive: DriveSheet
  usage: Usage
  school: School
  corrections?: Corrections
  readings: Reading[]
}

/** What a workshop keeps of a job beside its readings. */
export interface JobFacts {
  vehicle: string
  stand: string
  complaint: string
  openedBy: string
  openedAt: string
}

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

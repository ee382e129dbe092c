import type { Usage } from '../../readings'
import type { DriveSheet } from '../../sheet'
import type { Truth } from './truth'

/** How hard a case is: 1 one plain fault, 5 several with traps on any engine. */
export type Level = 1 | 2 | 3 | 4 | 5
export const LEVELS: readonly Level[] = [1, 2, 3, 4, 5]

/** Something to be seen on a part, as in readings of kind `condition`. */
export interface SeenFinding {
  target: string
  finding: string
  count?: number
  /** Its figure, in the unit of the finding (readings/figured). */
  value?: number
  cylinder?: number
}

/**
 * What cases are drawn from: a code of the first edition draws from the faults that there were then, so that it stays
 * the case it was.
 */
export type Edition = 1 | 2
/** The edition that new codes are of. */
export const EDITION: Edition = 2

/** All that is true of a practice engine and that nobody is told before the end. */
export interface HiddenTruth extends Truth {
  /** What was drawn, by id (faults.ts); empty for an engine that was told from a job. */
  faults: string[]
  /** What can be seen where it is looked for. */
  findings: SeenFinding[]
  /** This engine's own as-new scatter: mm by tensioner, crank degrees by sprocket. */
  scatter: { extension: Record<string, number>; lag: Record<string, number> }
  /** crank degrees by which the cams have kicked back until the engine is turned forward. */
  kickBack: number
  /** Sprockets whose mark stands between two links. */
  betweenLinks: string[]
}

/** As it is drawn: everything on it has its wear. */
export type DrawnTruth = HiddenTruth & Required<Truth>

/** A practice engine: what is told of it, and the truth. */
export interface PracticeCase {
  format: 'umbrette-practice'
  version: 1
  /** The short code it is drawn from; empty for one told from a job. */
  code: string
  seed: number
  level: Level
  title: string
  drive: DriveSheet
  usage: Usage
  complaint: string
  /** crank degrees past the setting point at which it stands when it comes in, 0 to 720. */
  start: number
  truth: HiddenTruth
}

/** crank degrees that a cam drive takes to stand as it stood: two crank turns to one of the cam. */
export const CYCLE = 720

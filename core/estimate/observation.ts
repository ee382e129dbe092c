import type { KnownReading, ReadingKind } from '../readings'
import type { Way } from './ways'

/**
 * What a reading sees of a train's state. `shift + scale·ε` for a length; `base` links for a count; `cam` among the
 * train's.
 */
export type Quantity =
  | { of: 'extension'; part: number }
  | { of: 'wear'; part: number; rail: number }
  | { of: 'padWear'; part: number }
  | { of: 'lag'; cam: number }
  | { of: 'elongation'; part: number; scale: number; shift: number }
  | { of: 'count'; base: number }
  /** Something that nobody told, by its place in u. */
  | { of: 'untold'; at: number }

/** A reading made ready for the estimate of its train. */
export interface Observation {
  /** Null for what is held of a drive without being read: how a cam sits (seats.ts). */
  reading: KnownReading | null
  kind: ReadingKind
  /** Place of its chain in the train. */
  part: number
  value: number
  /** The reading's own. */
  whole: number
  /** Of what it has to itself, and the place of what it shares with others of its hand; null for one alone. */
  sigma: number
  hand: number | null
  quantity: Quantity
  /** Odds that it is wrong, before others are read. */
  wrong: number
  /** How it may be wrong. */
  ways: readonly Way[]
  /** What one tooth of jump on each driven sprocket of the train adds, in the reading's unit. */
  teeth: number[]
}

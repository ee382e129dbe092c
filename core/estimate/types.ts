import type { BudgetEntry } from './budget'
import type { NumericKind } from '../readings/types'
import type { ReadingFault } from './observations'
import type { Places } from '../readings/places'
import type { Spread } from './summary'

/** Elongation as a fraction; `overLimit` is null where the sheet has no limit. */
export interface ElongationEstimate extends Spread {
  overLimit: number | null
}

export interface WearEstimate extends Spread {
  overLimit: number | null
}

export interface ChainEstimate {
  elongation: ElongationEstimate
  status: { converged: boolean; iterations: number; reason: string }
  /** Indices of the readings that bear on the chain. */
  readings: number[]
  /** Bench lengths at several places, compared; null where it was not measured so. */
  places: Places | null
}

export interface TensionerEstimate {
  /** mm; `predicted` from the wears alone, `read` the weighted mean of the readings or null, `sd` of the extension as it stands. */
  extension: { predicted: number; read: number | null; sd: number; overLimit: number | null }
  padWear: WearEstimate
  budget: BudgetEntry[]
  /** mm; `toLimit` null where the sheet has no limit. */
  travelLeft: { toStroke: number; toLimit: number | null }
  /** mm of chain the arm cannot take up. */
  slack: number
  /** degrees; null on a counted sheet. */
  armAngle: number | null
}

export interface CamEstimate {
  chain: string
  /** crank degrees, + = retarded, jump included. */
  lag: { mean: number; sd: number; overLimit: number | null }
  /** crank degrees that wear alone accounts for. */
  wearLag: number
  /** `told`: does any reading bear on a jump of this cam? Else the odds are the prior's. */
  jump: { teeth: number; odds: number; all: Record<string, number>; told: boolean }
  /** What follows from the lag's direction, in words; null where nothing does. */
  argument: string | null
}

export interface ReadingEstimate {
  index: number
  /** In the reading's unit; null for a reading outside the model. */
  predicted: number | null
  /** (value − predicted)/sigma. */
  residual: number | null
  sigma: number | null
  atOdds: boolean
}

/** What all the readings of a train say together, by part. */
export interface TrainResult {
  chains: Record<string, ChainEstimate>
  rails: Record<string, { wear: WearEstimate }>
  tensioners: Record<string, TensionerEstimate>
  cams: Record<string, CamEstimate>
  readings: ReadingEstimate[]
  next: NextReading[]
  faults: ReadingFault[]
}

/** A reading not yet taken and what it would be worth. */
export interface NextReading {
  kind: NumericKind
  /** Id of the part it is read on; a count's is its chain. */
  target: string
  /** linkCount: the run. */
  from?: string
  to?: string
  chain: string
  /** How much it would settle, 0 to 1: the fraction of the variance of the chain's elongation, and the doubt of undecided calls (1 = even odds), together. */
  gain: number
  /** sd of the chain's elongation (fraction) as it is, and as it would be. */
  narrows: { from: number; to: number }
  /** Undecided calls it would bear on: odds that the part is past its limit (or has jumped), and the fraction of that doubt it would take away. */
  settles: { part: string; odds: number; cut: number }[]
  minutes: number
}

import type { NumericKind } from '../readings'
import type { Estimates } from './schema'

/** Parts of an estimate, each as its schema states it. */
export type ChainEstimate = Estimates['chains'][string]
export type ElongationEstimate = ChainEstimate['elongation']
export type TensionerEstimate = Estimates['tensioners'][string]
export type WearEstimate = TensionerEstimate['padWear']
export type CamEstimate = Estimates['cams'][string]
export type ReadingEstimate = Estimates['readings'][number]
export type NextReading = Estimates['next'][number]
/** Is it something to read, not to ask? */
export function isReading<N extends Pick<NextReading, 'kind'>>(next: N): next is N & { kind: NumericKind } {
  return next.kind !== 'question'
}
/** Compares what may be read next: what saves most per minute first. */
export function savingMost(a: Rate, b: Rate): number {
  return b.worth / b.minutes - a.worth / a.minutes
}
type Rate = Pick<RankedReading, 'worth' | 'minutes'>
/** One of today's: an older assessment did not say what it was worth. */
export type RankedReading = NextReading & { worth: number }
/** A part of a figure's doubt. */
export type DoubtPart = NonNullable<ChainEstimate['made']>[number]
/** A reading left out, and why. */
export type ReadingFault = Estimates['faults'][number]

/** What all the readings of a train say together, by part. */
export interface TrainResult {
  chains: Record<string, ChainEstimate>
  rails: Record<string, { wear: WearEstimate }>
  tensioners: Record<string, TensionerEstimate>
  cams: Record<string, CamEstimate>
  readings: ReadingEstimate[]
  next: RankedReading[]
  /** What deciding now is expected to cost. */
  loss: number
  faults: ReadingFault[]
}

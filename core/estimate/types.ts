import type { Assessment } from '../assessment/schema'

/** Parts of an assessment, each as its schema states it. */
export type ChainEstimate = Assessment['chains'][string]
export type ElongationEstimate = ChainEstimate['elongation']
export type TensionerEstimate = Assessment['tensioners'][string]
export type WearEstimate = TensionerEstimate['padWear']
export type CamEstimate = Assessment['cams'][string]
export type ReadingEstimate = Assessment['readings'][number]
export type NextReading = Assessment['next'][number]
/** A reading left out, and why. */
export type ReadingFault = Assessment['faults'][number]

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

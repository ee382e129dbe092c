export { chainRates, travelEndsAt } from './chainRates'
export { doubtOf } from './doubts'
export { chainOf } from './observations'
export { estimate } from './estimate'
export { BENCH_LINKS } from './next'
export { PRIORS, type Priors } from './priors'
export { estimateFields, figure, ids, orNull, said } from './schema'
export type { ArgumentSays, EstimateSays } from './says'
export type {
  CamEstimate,
  ElongationEstimate,
  NextReading,
  ReadingEstimate,
  ReadingFault,
  TensionerEstimate
} from './types'
export { type Reached, reachedAt, wearRate, type WearRate } from './wearRate'
export type { Estimates } from './schema'

export { AHEAD, type NearJump, nearestNow, nearJumps, type Share } from './nearJump'
export { chainRates, travelEndsAt } from './chainRates'
export { chainOf } from './observations'
export { estimate } from './estimate'
export { BENCH_LINKS } from './candidates'
export { type SaidSlip, slipOf } from './slips'
export { EQUAL_STAKES, type Stake, type Stakes } from './stakes'
export { PRIORS, type Priors } from './priors'
export { WRONG_WAYS, type WrongWay } from './ways'
export { estimateFields, figure, ids, orNull, said } from './schema'
export type { ArgumentSays, EstimateSays } from './says'
export { learnPriors, poolLearnt } from './learnPriors'
export type { Cause } from './causes'
export { type Ask, explain, type Explanation, type Explanations } from './explain'
export { isReading, savingMost } from './types'
export type {
  CamEstimate,
  DoubtPart,
  ElongationEstimate,
  NextReading,
  ReadingEstimate,
  ReadingFault,
  TensionerEstimate
} from './types'
export { type Reached, reachedAt, wearRate, type WearRate } from './wearRate'
export type { Estimates } from './schema'

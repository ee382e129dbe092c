import type { Assessment } from './assessment/schema'
import { makeCalls } from './calls/makeCalls'
import { estimate } from './estimate/estimate'
import { PRIORS, type Priors } from './estimate/priors'
import type { JobFile } from './job/types'
import { rounded } from './round'

export type { Assessment } from './assessment/schema'

/**
 * Assesses a job: what its readings mean, and a call for every part. The same job always gives the same assessment.
 * @param job checked by readJob
 * @example assess(readJob(JSON.parse(text)).job).chains.main.elongation.mean // 0.0042
 */
export function assess(job: JobFile, priors: Priors = PRIORS): Assessment {
  const estimates = estimate(job, priors)
  return rounded({ format: 'umbrette-assessment' as const, version: 1 as const, ...estimates, calls: makeCalls(job, estimates) })
}

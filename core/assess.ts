import { makeCalls } from './calls/makeCalls'
import type { PartCall } from './calls/types'
import { estimate, type Estimates } from './estimate/estimate'
import { PRIORS, type Priors } from './estimate/priors'
import type { JobFile } from './job/types'
import { rounded } from './round'

/** What a job's readings mean: the estimate and a call for every part. The same job always gives the same assessment. */
export interface Assessment extends Estimates {
  format: 'umbrette-assessment'
  version: 1
  calls: PartCall[]
}

/**
 * Assesses a job.
 * @param job checked by readJob
 * @example assess(readJob(JSON.parse(text)).job).chains.main.elongation.mean // 0.0042
 */
export function assess(job: JobFile, priors: Priors = PRIORS): Assessment {
  const estimates = estimate(job, priors)
  return rounded({ format: 'umbrette-assessment' as const, version: 1 as const, ...estimates, calls: makeCalls(job, estimates) })
}

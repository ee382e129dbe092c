import type { Assessment } from './assessment'
import { makeCalls } from '../calls'
import { estimate, PRIORS, type Priors } from '../estimate'
import { weighFindings } from './weighFindings'
import type { JobFile } from '../readings'
import { roundFigures } from '../math'

/**
 * Assesses a job: what its readings mean, and a call for every part. The same job always gives the same assessment.
 * @param job checked by readJob
 * @example assess(readJob(JSON.parse(text)).job).chains.main.elongation.mean // 0.0042
 */
export function assess(job: JobFile, priors: Priors = PRIORS): Assessment {
  const estimates = estimate(job, priors)
  return roundFigures({
    format: 'umbrette-assessment' as const,
    version: 2 as const,
    ...estimates,
    calls: makeCalls(job, estimates, weighFindings)
  })
}

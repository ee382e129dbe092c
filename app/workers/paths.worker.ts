import { expose } from 'comlink'
import {
  type Assessment,
  ownPath,
  type OwnPath,
  type PartialWay,
  partialWays,
  type Paths,
  pathsOf
} from '../../core/paths'
import type { Tax } from '../../core/money'
import { estimateOf } from '../../core/views/estimate'
import { otherSchools, type SchoolDifference } from '../../core/views/verdict'
import type { JobFile } from '../../core/readings'

/**
 * What weighs thousands of sets of renewals, off the main thread and apart from the estimate, so that it can be ended.
 */
const planner = {
  paths: (job: JobFile, assessment: Assessment, progress: (done: number) => void): Paths | null =>
    pathsOf(job, assessment, {}, progress),
  own: (job: JobFile, assessment: Assessment, renew: string[]): OwnPath => ownPath(job, assessment, renew),
  partial: (job: JobFile, assessment: Assessment): PartialWay[] => partialWays(job, assessment),
  /** What sets of renewals come to with tax, by their parts. */
  taxed: (
    job: JobFile,
    assessment: Assessment,
    sets: readonly (readonly string[])[],
    money: { tax: Tax; currency: string }
  ): Record<string, string> =>
    Object.fromEntries(
      sets.map((renew) => [
        renew.join(),
        estimateOf(job, assessment, { choice: null, path: null, estimate: null }, { ...money, renew }).sums.gross
      ])
    ),
  others: (job: JobFile, assessment: Assessment): SchoolDifference[] => otherSchools(job, assessment, assessment.calls)
}

export type Planner = typeof planner

expose(planner)

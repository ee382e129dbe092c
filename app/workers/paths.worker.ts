import { expose } from 'comlink'
import type { Assessment } from '../../core/assess'
import { otherSchools, type SchoolDifference } from '../../core/calls/otherSchools'
import type { JobFile } from '../../core/job/types'
import { ownPath, pathsOf, type OwnPath, type Paths } from '../../core/paths/paths'

/** What weighs thousands of sets of renewals, off the main thread and apart from the estimate, so that it can be ended. */
const planner = {
  paths: (job: JobFile, assessment: Assessment, progress: (done: number) => void): Paths | null => pathsOf(job, assessment, {}, progress),
  own: (job: JobFile, assessment: Assessment, renew: string[]): OwnPath => ownPath(job, assessment, renew),
  others: (job: JobFile, assessment: Assessment): SchoolDifference[] => otherSchools(job, assessment, assessment.calls)
}

export type Planner = typeof planner

expose(planner)

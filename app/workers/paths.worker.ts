import { expose } from 'comlink'
import { type Assessment, ownPath, type OwnPath, type Paths, pathsOf } from '../../core/paths'
import { otherSchools, type SchoolDifference } from '../../core/views/verdict'
import type { JobFile } from '../../core/readings'

/**
 * What weighs thousands of sets of renewals, off the main thread and apart from the estimate, so that it can be ended.
 */
const planner = {
  paths: (job: JobFile, assessment: Assessment, progress: (done: number) => void): Paths | null =>
    pathsOf(job, assessment, {}, progress),
  own: (job: JobFile, assessment: Assessment, renew: string[]): OwnPath => ownPath(job, assessment, renew),
  others: (job: JobFile, assessment: Assessment): SchoolDifference[] => otherSchools(job, assessment, assessment.calls)
}

export type Planner = typeof planner

expose(planner)

import { assess, type Assessment } from '../assess'
import { foldActs, type Act } from './acts'
import type { KeptJob } from './exchange'
import type { JobFile } from './types'

/** The job file that a job's acts come to: what the core assesses. */
export function jobFile({ sheet, usage, school, corrections, known }: KeptJob, acts: readonly Act[]): JobFile {
  const record = foldActs(acts, school)
  return { format: 'umbrette-job', version: 1, drive: sheet, usage, school: record.school, ...(corrections ? { corrections } : {}), ...known, readings: record.readings }
}

/** What a job's acts mean. Readings in the assessment are numbered as in jobFile. */
export function assessRecord(job: KeptJob, acts: readonly Act[]): Assessment {
  return assess(jobFile(job, acts))
}

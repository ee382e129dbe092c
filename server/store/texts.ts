import { writeAssessment } from '../../words/en'
import { told } from '../../words/problems'
import { assessRecord, exportJob, foldActs, jobFile, sheetOf, type Act, type KeptJob } from '../../core/record'
import { DEMO_JOBS } from '../../demo/workshop'
import { simulatedScan } from '../../demo/scanSource'
import { checkCalendar } from '../calendar'
import { readingsCsv } from '../csv/readingsCsv'
import { Problem } from '../utils/problem'
import { findJob } from './jobs'

/** What a job can be written out as. Each needs all of its acts, so that it is made behind the server. */
const TEXTS = {
  /** The assessment, byte for byte as the command line prints it. */
  assessment: (job: KeptJob, acts: readonly Act[]) =>
    `${JSON.stringify(writeAssessment(jobFile(job, acts), assessRecord(job, acts)))}\n`,
  /** The readings that stand, one a line. */
  readings: readingsCsv,
  /** The job without its pictures, on one line. */
  line: (job: KeptJob, acts: readonly Act[]) => `${JSON.stringify(exportJob(job, acts))}\n`,
  calendar(job: KeptJob, acts: readonly Act[], id: string) {
    const { check } = foldActs(acts, job.school)
    if (!check?.date) throw new Problem('not-found', told('no-check-date'))
    return checkCalendar(id, job, check, job.usage.unit)
  },
  /**
   * The practice scan source plugged into a job's engine: a demo engine shows its own truth, any other a sound drive.
   */
  scan(job: KeptJob, acts: readonly Act[], id: string) {
    const demo = DEMO_JOBS.findIndex((one) => one.id === id)
    return simulatedScan(sheetOf(job.sheet, foldActs(acts, job.school)), DEMO_JOBS[demo]?.truth ?? {}, demo + 1)
  }
} satisfies Record<string, (job: KeptJob, acts: readonly Act[], id: string) => string>

/** A job written out, and the vehicle it is on. @throws Problem not-found */
export async function textOf(jobId: string, what: keyof typeof TEXTS): Promise<{ text: string; vehicle: string }> {
  const { id, job, acts } = await findJob(jobId)
  return {
    text: TEXTS[what](
      job,
      acts.map(({ act }) => act),
      id
    ),
    vehicle: job.vehicle
  }
}

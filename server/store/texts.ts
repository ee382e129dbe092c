import { writeAssessment } from '../../words/en'
import { told } from '../../words/problems'
import { assessRecord, exportJob, foldActs, jobFile, sheetOf, type Act, type KeptJob } from '../../core/record'
import { DEMO_JOBS } from '../../demo/workshop'
import { simulatedScan } from '../../demo/scanSource'
import { simulatedScope } from '../../demo/scopeSource'
import { simulatedSound } from '../../demo/soundSource'
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
    return simulatedScan(...practiceOf(job, acts, id))
  },
  /** The practice scope at the crank and cam sensors, likewise; and once the engine is rebuilt, a sound drive. */
  scope: (job: KeptJob, acts: readonly Act[], id: string) => scopeText(practiceOf(job, acts, id)),
  scopeRebuilt: (job: KeptJob, acts: readonly Act[], id: string) => scopeText(rebuiltOf(job, acts, id)),
  /** The practice microphone at a cold start, likewise: a WAV file in base64. */
  sound: (job: KeptJob, acts: readonly Act[], id: string) => soundText(practiceOf(job, acts, id)),
  soundRebuilt: (job: KeptJob, acts: readonly Act[], id: string) => soundText(rebuiltOf(job, acts, id))
} satisfies Record<string, (job: KeptJob, acts: readonly Act[], id: string) => string>

type Practised = ReturnType<typeof practiceOf>

function scopeText(of: Practised): string {
  const text = simulatedScope(...of)
  if (text === null) throw new Problem('not-found', told('no-trigger-wheels'))
  return text
}

const soundText = (of: Practised) => Buffer.from(simulatedSound(...of)).toString('base64')

/** Seeds of rebuilt engines: nothing of them is as it was by chance. */
const REBUILT = 500

/** What a stand-in at a job's engine sees: its sheet, its truth, and a seed of its own. */
function practiceOf(job: KeptJob, acts: readonly Act[], id: string) {
  const demo = DEMO_JOBS.findIndex((one) => one.id === id)
  return [sheetOf(job.sheet, foldActs(acts, job.school)), DEMO_JOBS[demo]?.truth ?? {}, demo + 1] as const
}

/** The same of the engine once it is rebuilt. */
function rebuiltOf(job: KeptJob, acts: readonly Act[], id: string): Practised {
  const [sheet, , seed] = practiceOf(job, acts, id)
  return [sheet, {}, REBUILT + seed]
}

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

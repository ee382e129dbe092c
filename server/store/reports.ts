import { addresseeOf, normalBeside, type Report, writeReport } from '../../words/en'
import { assessRecord, jobFile } from '../../core/record'
import { reportFacts } from '../../core/views/report'
import { besideMaps } from '../../draw/besideMaps'
import { driveMap } from '../../draw/driveMap'
import type { Drawing } from '../../draw/shapes'
import { sayIn } from '../../words/spoken'
import { heavily } from '../heavy/heavily'
import { heldLanguage } from '../languages'
import { ownerOf, readIn, type Reader } from './estimates'
import { findJob } from './jobs'
import { workshopFacts, workshopLogo } from './workshop'

/** A report with its drawing of the drive; null for a sheet without coordinates. */
export interface DrawnReport {
  report: Report
  /** Normal beside found; null for a sheet without coordinates. */
  map: Drawing | null
}

/** A job's own, with the drive as found alone. */
export interface JobReport extends DrawnReport {
  found: Drawing | null
}

/** Wear is drawn so many times as large, to be seen beside a new drive. */
const TIMES = 4

/** px of the drawing; scaled to fit wherever it is put. */
const MAP = { width: 420, height: 460 }

/** The report of a job as it stands now, in the language of who reads it. @throws Problem not-found */
export async function jobReport(jobId: string, reader: Reader = 'customer'): Promise<JobReport> {
  return heavily('asked', 'makeReport', jobId, reader)
}

export async function makeReport(jobId: string, reader: Reader): Promise<JobReport> {
  const { job, acts: kept } = await findJob(jobId)
  const acts = kept.map(({ act }) => act)
  const file = jobFile(job, acts)
  const assessment = assessRecord(job, acts)
  const logo = await workshopLogo()
  const { customer, registration, reads } = await ownerOf(jobId)
  const workshop = await workshopFacts()
  const language = readIn(reader, reads, workshop)
  const drawn = (times: number) =>
    driveMap(file.drive, assessment, file.corrections ?? null, MAP.width, MAP.height, times)
  return sayIn(heldLanguage(language), () => {
    const [normal, worn] = [drawn(0), drawn(TIMES)]
    return {
      report: {
        ...writeReport(reportFacts(job, acts, assessment, workshop)),
        language,
        ...(customer ? { addressee: addresseeOf(customer) } : {}),
        ...(registration ? { registration } : {}),
        ...(logo ? { logo: `data:image/png;base64,${logo.toString('base64')}` } : {})
      },
      map: normal && worn && besideMaps(normal, worn, normalBeside(TIMES)),
      found: drawn(1)
    }
  })
}

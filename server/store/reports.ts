import { addresseeOf, type Report, writeReport } from '../../words/en'
import { assessRecord, jobFile } from '../../core/record'
import { reportFacts } from '../../core/views/report'
import { driveMap } from '../../draw/driveMap'
import type { Drawing } from '../../draw/shapes'
import { heavily } from '../heavy/heavily'
import { ownerOf } from './estimates'
import { findJob } from './jobs'
import { workshopFacts, workshopLogo } from './workshop'

/** A report with its drawing of the drive; null for a sheet without coordinates. */
export interface DrawnReport {
  report: Report
  map: Drawing | null
}

/** px of the drawing; scaled to fit wherever it is put. */
const MAP = { width: 420, height: 460 }

/** The report of a job as it stands now. @throws Problem not-found */
export async function jobReport(jobId: string): Promise<DrawnReport> {
  return heavily('asked', 'makeReport', jobId)
}

export async function makeReport(jobId: string): Promise<DrawnReport> {
  const { job, acts: kept } = await findJob(jobId)
  const acts = kept.map(({ act }) => act)
  const file = jobFile(job, acts)
  const assessment = assessRecord(job, acts)
  const logo = await workshopLogo()
  const { customer, registration } = await ownerOf(jobId)
  return {
    report: {
      ...writeReport(reportFacts(job, acts, assessment, await workshopFacts())),
      ...(customer ? { addressee: addresseeOf(customer) } : {}),
      ...(registration ? { registration } : {}),
      ...(logo ? { logo: `data:image/png;base64,${logo.toString('base64')}` } : {})
    },
    map: driveMap(file.drive, assessment, file.corrections ?? null, MAP.width, MAP.height)
  }
}

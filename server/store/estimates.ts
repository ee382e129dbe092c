import {
  type EstimatePaper,
  type LabelPaper,
  type OrderPaper,
  type WallPaper,
  writeBuildSheet,
  writeEstimate,
  writeLabel,
  writeOrder,
  writeWorksheet
} from '../../words/en'
import { sayIn } from '../../words/spoken'
import { assessRecord, foldActs, jobFile, type LanguageId, type Workshop } from '../../core/record'
import { currencyOf } from '../../core/paths'
import { rebuildOf } from '../../core/views/buildup'
import { type Estimate, estimateOf, orderOf } from '../../core/views/estimate'
import { CustomerRow, JobRow, VehicleRow } from '../db/models'
import { heavily } from '../heavy/heavily'
import { askedIn, heldLanguage } from '../languages'
import { findJob } from './jobs'
import { workshopFacts } from './workshop'

/** Who reads a paper: the customer in their language, or the workshop. */
export type Reader = 'customer' | 'us'

/** A job's papers: the estimate, what is ordered, and what hangs on the wall. */
export interface JobPapers {
  vehicle: string
  estimate: Estimate
  paper: EstimatePaper
  order: OrderPaper
  orderLines: Estimate['lines']
  worksheet: WallPaper
  build: WallPaper
  label: LabelPaper
}

/** The papers of a job as it stands. @throws Problem not-found */
export async function jobPapers(jobId: string, reader: Reader = 'us'): Promise<JobPapers> {
  return heavily('asked', 'makePapers', jobId, reader)
}

export async function makePapers(jobId: string, reader: Reader = 'us'): Promise<JobPapers> {
  const { job, acts: kept } = await findJob(jobId)
  const acts = kept.map(({ act }) => act)
  const workshop = await workshopFacts()
  const file = jobFile(job, acts)
  const record = foldActs(acts, job.school)
  const currency = currencyOf(file) || workshop.currency
  const assessment = assessRecord(job, acts)
  const estimate = estimateOf(file, assessment, record, { tax: workshop.tax, currency })
  const last = acts.findLast(({ type }) => type !== 'choice')
  const { reads, ...owner } = await ownerOf(jobId)
  const of = {
    workshop,
    ...owner,
    vehicle: job.vehicle,
    engine: file.drive.name,
    usage: file.usage,
    complaint: job.complaint,
    by: last?.by ?? job.openedBy,
    at: last?.at ?? job.openedAt
  }
  const orderLines = orderOf(estimate)
  const language = readIn(reader, reads, workshop)
  return {
    vehicle: job.vehicle,
    estimate,
    paper: sayIn(heldLanguage(language), () => writeEstimate(estimate, of)),
    order: writeOrder(orderLines, currency, of),
    orderLines,
    worksheet: writeWorksheet(file.drive, of),
    build: writeBuildSheet(file.drive, rebuildOf(job, acts, assessment), of),
    label: writeLabel(of)
  }
}

/** What a paper is written in: the workshop's own readers have it in theirs, a customer in what is known of them. */
export function readIn(reader: Reader, reads: LanguageId | null, { language }: Pick<Workshop, 'language'>): LanguageId {
  return reader === 'us' ? askedIn() : (reads ?? language)
}

/** Whose a job is and what they read, and the plate of its vehicle. */
export async function ownerOf(jobId: string) {
  const row = await JobRow.findByPk(jobId, { attributes: ['customerId', 'vehicleId'] })
  const customer = row?.customerId ? await CustomerRow.findByPk(row.customerId) : null
  const vehicle = row?.vehicleId ? await VehicleRow.findByPk(row.vehicleId) : null
  return {
    customer: customer && { name: customer.name, address: customer.address },
    reads: customer?.language || null,
    registration: vehicle?.registration ?? ''
  }
}

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
import { assessRecord, foldActs, jobFile } from '../../core/record'
import { currencyOf } from '../../core/paths'
import { rebuildOf } from '../../core/views/buildup'
import { type Estimate, estimateOf, orderOf } from '../../core/views/estimate'
import { CustomerRow, JobRow, VehicleRow } from '../db/models'
import { heavily } from '../heavy/heavily'
import { findJob } from './jobs'
import { workshopFacts } from './workshop'

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
export async function jobPapers(jobId: string): Promise<JobPapers> {
  return heavily('asked', 'makePapers', jobId)
}

export async function makePapers(jobId: string): Promise<JobPapers> {
  const { job, acts: kept } = await findJob(jobId)
  const acts = kept.map(({ act }) => act)
  const workshop = await workshopFacts()
  const file = jobFile(job, acts)
  const record = foldActs(acts, job.school)
  const currency = currencyOf(file) || workshop.currency
  const assessment = assessRecord(job, acts)
  const estimate = estimateOf(file, assessment, record, { tax: workshop.tax, currency })
  const last = acts.findLast(({ type }) => type !== 'choice')
  const of = {
    workshop,
    ...(await ownerOf(jobId)),
    vehicle: job.vehicle,
    engine: file.drive.name,
    usage: file.usage,
    complaint: job.complaint,
    by: last?.by ?? job.openedBy,
    at: last?.at ?? job.openedAt
  }
  const orderLines = orderOf(estimate)
  return {
    vehicle: job.vehicle,
    estimate,
    paper: writeEstimate(estimate, of),
    order: writeOrder(orderLines, currency, of),
    orderLines,
    worksheet: writeWorksheet(file.drive, of),
    build: writeBuildSheet(file.drive, rebuildOf(job, acts, assessment), of),
    label: writeLabel(of)
  }
}

/** Whose a job is, and the plate of its vehicle. */
export async function ownerOf(jobId: string) {
  const row = await JobRow.findByPk(jobId, { attributes: ['customerId', 'vehicleId'] })
  const customer = row?.customerId ? await CustomerRow.findByPk(row.customerId) : null
  const vehicle = row?.vehicleId ? await VehicleRow.findByPk(row.vehicleId) : null
  return {
    customer: customer && { name: customer.name, address: customer.address },
    registration: vehicle?.registration ?? ''
  }
}

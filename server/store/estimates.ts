import { type EstimatePaper, type OrderPaper, writeEstimate, writeOrder } from '../../words/en'
import { assessRecord, foldActs, jobFile } from '../../core/record'
import { currencyOf } from '../../core/paths'
import { type Estimate, estimateOf, orderOf } from '../../core/views/estimate'
import { CustomerRow, JobRow, VehicleRow } from '../db/models'
import { heavily } from '../heavy/heavily'
import { findJob } from './jobs'
import { workshopFacts } from './workshop'

/** An estimate as papers and files are made of it. */
export interface JobPapers {
  vehicle: string
  estimate: Estimate
  paper: EstimatePaper
  order: OrderPaper
  orderLines: Estimate['lines']
}

/** The estimate and the order list of a job as it stands. @throws Problem not-found */
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
  const estimate = estimateOf(file, assessRecord(job, acts), record, { tax: workshop.tax, currency })
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
    orderLines
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

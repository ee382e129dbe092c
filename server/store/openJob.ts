import { col, fn, where } from 'sequelize'
import type { School, Usage } from '../../core/readings'
import { inTransaction, useDb } from '../db/connection'
import { VehicleRow } from '../db/models'
import { customerNamed } from '../db/queries/books'
import { putToVehicle } from '../db/queries/vehicles'
import { createJob } from '../db/rows'
import { priorsFor } from './ownPriors'
import { pricingFor } from './pricing'
import { findSheet } from './sheets'
import { earlierKnown } from './vehicles'

/** What a job is opened with. */
export interface Opening {
  vehicle: string
  stand: string
  complaint: string
  openedBy: string
  /** Id of the workshop's sheet. */
  sheet: string
  usage: Usage
  school: School
  /** What is kept of a vehicle that was not known. */
  arrives?: { registration: string; customer: { name: string; phone: string } | null }
}

/**
 * Opens a job on the newest revision of a sheet, with what earlier jobs on a known vehicle know and what the
 * workshop has learnt of the type. @throws Problem
 * bad-input
 */
export async function openJob(id: string, { sheet: sheetId, arrives, ...facts }: Opening): Promise<string> {
  await useDb()
  const { sheet, revision } = await findSheet(sheetId)
  const vehicle = await VehicleRow.findOne({ where: where(fn('lower', col('name')), facts.vehicle.toLowerCase()) })
  const earlier = vehicle ? await earlierKnown(vehicle.id, sheet, facts.usage) : null
  const pricing = await pricingFor(facts.usage.unit)
  const priors = await priorsFor(sheetId)
  const known = { ...earlier, pricing, ...(priors ? { priors } : {}) }
  const job = { ...facts, openedAt: new Date().toISOString(), sheet, sheetRevision: revision, corrections: null, known }
  await inTransaction(async (transaction) => {
    await createJob(id, job, [], { demo: false, transaction })
    const customer = vehicle || !arrives?.customer ? null : await customerNamed(arrives.customer, transaction)
    const registration = vehicle ? '' : (arrives?.registration ?? '')
    await putToVehicle({ job: id, sheet: sheetId, registration, customer }, transaction)
  })
  return id
}

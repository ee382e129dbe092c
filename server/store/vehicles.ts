import { isUuid } from '../../core/check'
import { randomUUID } from 'node:crypto'
import { told } from '../../words/problems'
import { Op } from 'sequelize'
import type { EarlierKnown, SeenUsage, Usage, WearPoint } from '../../core/readings'
import { compileSheet, type DriveSheet } from '../../core/sheet'
import type { CustomerFacts } from '../../core/record'
import { inTransaction, useDb } from '../db/connection'
import { isUnique } from '../db/errors'
import { CustomerRow, JobRow, SheetRow, VehicleRow } from '../db/models'
import { findVehicles, type VehicleFound } from '../db/queries/books'
import { newestJobs } from '../db/queries/vehicles'
import { Problem } from '../utils/problem'
import { customerRow } from './customers'
import { sharedText } from '../utils/inBatches'
import { pagesOf, wordsOf } from './listing'
import {
  addPastJob,
  type FittedPart,
  fittedOf,
  type PastFacts,
  type PastJob,
  pastAsJob,
  pastJobsOf,
  seenOf
} from './past'
import { LISTED, listedJob, refreshSummary, type ListedJob } from './summaries'

/** What a workshop keeps of a vehicle beside its jobs. */
export interface VehicleFacts extends Omit<VehicleFound, 'id' | 'customer'> {
  customer: string | null
}

/** A vehicle as lists show it, with its newest job. */
export interface ListedVehicle extends VehicleFound {
  jobs: number
  /** Of the newest job; null for a vehicle without one. */
  last: { usage: Usage; openedAt: string; sheet: string; engine: string } | null
}

/** A vehicle, its jobs, the newest first, and what was done before. Deleted jobs are not among them. */
export interface Vehicle extends Omit<VehicleFound, 'customer'> {
  customer: (CustomerFacts & { id: string }) | null
  jobs: ListedJob[]
  past: PastJob[]
  /** What it had on the clock, wherever that was seen. */
  seen: SeenUsage[]
  fitted: FittedPart[]
  /** Parts of its engine sheet, to name those that are fitted. */
  parts: { id: string; name: string }[]
}

const VEHICLES_A_PAGE = 40

/** Vehicles of the workshop, found by what is known of them or of whose they are; those seen last first. */
export async function listVehicles({
  search,
  page
}: {
  search: string
  page: number
}): Promise<{ rows: ListedVehicle[]; total: number; pages: number }> {
  await useDb()
  const { rows: found, total } = await findVehicles(wordsOf(search), {
    limit: VEHICLES_A_PAGE,
    offset: page * VEHICLES_A_PAGE
  })
  const last = await newestJobs(found.map(({ id }) => id))
  const rows = found.map((vehicle): ListedVehicle => {
    const newest = last.find((one) => one.vehicle === vehicle.id)
    return {
      ...vehicle,
      jobs: newest?.jobs ?? 0,
      last: newest
        ? { usage: newest.usage, openedAt: newest.at.toISOString(), sheet: newest.sheet, engine: newest.engine }
        : null
    }
  })
  return { rows, total, pages: pagesOf(total, VEHICLES_A_PAGE) }
}

/** A page of them as JSON: what many ask for at once is looked up once. */
export const vehiclesText = sharedText(listVehicles)

/** @throws Problem not-found */
export async function findVehicle(id: string): Promise<Vehicle> {
  const row = await vehicleRow(id)
  await upToDate(id)
  const owner = row.customerId === null ? null : await CustomerRow.findByPk(row.customerId)
  const jobs = await jobsOf(id)
  const past = await pastJobsOf(id)
  const { name, note, registration, chassis, model, sheetId } = row
  return {
    id,
    name,
    note,
    registration,
    chassis,
    model,
    sheet: sheetId,
    customer: owner && ownerFacts(owner),
    jobs,
    past,
    seen: seenOf(jobs, past),
    fitted: fittedOf(jobs, past),
    parts: await partsOf(sheetId)
  }
}

/** What can be fitted new on an engine. */
async function partsOf(sheetId: string | null): Promise<{ id: string; name: string }[]> {
  const sheet = sheetId === null ? null : (await SheetRow.findByPk(sheetId))?.body
  if (!sheet) return []
  const { chains, tensioners, rails, phasers, sprockets } = sheet
  return [...chains, ...tensioners, ...rails, ...phasers, ...sprockets].map(({ id, name }) => ({ id, name }))
}

function ownerFacts({ id, name, phone, email, address, note, language }: CustomerRow): CustomerFacts & { id: string } {
  return { id, name, phone, email, address, note, language }
}

/** @throws Problem not-found */
export async function vehicleRow(id: string): Promise<VehicleRow> {
  await useDb()
  const row = isUuid(id) ? await VehicleRow.findByPk(id) : null
  if (!row) throw new Problem('not-found', told('no-such-vehicle'))
  return row
}

/** Jobs of one vehicle that are shown, the newest. */
const MOST_JOBS = 500

async function jobsOf(vehicleId: string): Promise<ListedJob[]> {
  return (
    await JobRow.findAll({
      where: { vehicleId, state: { [Op.ne]: 'deleted' } },
      attributes: [...LISTED],
      order: [
        ['openedAt', 'DESC'],
        ['id', 'ASC']
      ],
      limit: MOST_JOBS
    })
  ).map(listedJob)
}

/** Keeps a new vehicle. @returns its id. @throws Problem conflict when another vehicle has the name */
export async function addVehicle(facts: VehicleFacts): Promise<string> {
  await useDb()
  const { sheet, customer, ...own } = await checkedFacts(facts)
  return takenApart(own.name, async () => {
    const { id } = await VehicleRow.create({ id: randomUUID(), ...own, sheetId: sheet, customerId: customer })
    return id
  })
}

/**
 * Changes what is kept of a vehicle; its jobs follow its name. @throws Problem not-found, conflict when another vehicle
 * has the name
 */
export async function changeVehicle(id: string, facts: VehicleFacts): Promise<void> {
  const row = await vehicleRow(id)
  const { sheet, customer, ...own } = await checkedFacts(facts)
  await takenApart(own.name, () =>
    inTransaction(async (transaction) => {
      const renamed = row.name !== own.name
      await row.update({ ...own, sheetId: sheet, customerId: customer }, { transaction })
      if (renamed) await JobRow.update({ vehicle: own.name }, { where: { vehicleId: id }, transaction })
    })
  )
}

async function checkedFacts(facts: VehicleFacts): Promise<VehicleFacts> {
  if (facts.customer !== null) await customerRow(facts.customer)
  return { ...facts, name: facts.name.trim() }
}

/** The database knows best: two people may choose one name in the same moment. */
async function takenApart<T>(name: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (isUnique(error)) throw new Problem('conflict', told('vehicle-name-taken', { name }))
    throw error
  }
}

/** What was read on a vehicle just now counts for the job that is opened on it now. */
async function upToDate(vehicleId: string): Promise<void> {
  const stale = await JobRow.findAll({ where: { vehicleId, stale: true }, attributes: ['id'], limit: MOST_JOBS })
  for (const { id } of stale) await refreshSummary(id, 'asked').catch(() => false)
}

/**
 * What earlier jobs on a vehicle know of the same engine: when its parts were renewed, and how long its chains were
 * since. Only jobs counted in the same unit bear on it.
 */
export async function earlierKnown(vehicleId: string, sheet: DriveSheet, usage: Usage): Promise<EarlierKnown | null> {
  await upToDate(vehicleId)
  const { nameOf } = compileSheet(sheet)
  const history: Record<string, WearPoint[]> = {}
  const fitted: Record<string, number> = {}
  const past = (await pastJobsOf(vehicleId)).flatMap((one) => pastAsJob(one, sheet.chains[0]?.id ?? null))
  const mine = [...(await jobsOf(vehicleId)), ...past].filter(
    (job) => job.sheet.id === sheet.id && job.usage.unit === usage.unit && job.usage.value <= usage.value
  )
  for (const job of mine.sort((a, b) => b.usage.value - a.usage.value)) {
    for (const part of job.renewed) if (nameOf(part)) fitted[part] ??= job.usage.value
    for (const { kind, part, value, sd } of job.measures) {
      // From the renewal back, it was another chain.
      if (kind === 'elongation' && !(part in fitted))
        (history[part] ??= []).push({ usage: job.usage.value, mean: value / 100, sd: sd / 100 })
    }
  }
  const known = {
    ...(Object.keys(history).length > 0 ? { history } : {}),
    ...(Object.keys(fitted).length > 0 ? { fitted } : {})
  }
  return Object.keys(known).length > 0 ? known : null
}

/**
 * Keeps what was done on a vehicle before, its parts being of its engine sheet. @throws Problem not-found, bad-input
 */
export async function keepPastJob(id: string, facts: Omit<PastFacts, 'sheet'>, by: string): Promise<Vehicle> {
  const { sheetId } = await vehicleRow(id)
  if (facts.doneOn > new Date().toISOString().slice(0, 10))
    throw new Problem('bad-input', told('past-job-incomplete'), [{ place: 'doneOn', ...told('past-in-future') }])
  await addPastJob(id, { ...facts, sheet: sheetId }, by)
  return findVehicle(id)
}

import type { Transaction } from 'sequelize'
import { type ErasedRows, excerptOf, mentionPattern, termsOf } from '../../core/views/erasing'
import { CustomerRow, JobRow, PastJobRow, PracticeCaseRow, VehicleRow } from '../db/models'
import { jobsOfCustomer, vehiclesOf } from '../db/queries/erasing'
import { rowsWriting, type WrittenRow } from '../db/queries/mentions'

/** How far an erasing goes. */
export interface Extent {
  rows: ErasedRows
  /** What the vehicles that go are called. */
  vehicles: string[]
  /** Vehicles that stay, as somebody else's jobs are on them. */
  staying: { id: string; name: string }[]
  /** What the customer is known by elsewhere. */
  terms: string[]
}

/** What goes with a customer. */
export async function extentOfCustomer(id: string, transaction: Transaction): Promise<Extent> {
  const customer = await CustomerRow.findByPk(id, { transaction })
  const all = await vehiclesOf(id, transaction)
  const going = all.filter(({ stays }) => !stays)
  const vehicles = going.map((vehicle) => vehicle.id)
  const jobs = (await jobsOfCustomer(id, vehicles, transaction)).map((job) => job.id)
  const past = await PastJobRow.findAll({ where: { vehicleId: vehicles }, attributes: ['id'], transaction })
  const { name = '', phone = '', email = '' } = customer ?? {}
  return {
    rows: {
      customers: customer ? [id] : [],
      vehicles,
      jobs,
      pastJobs: past.map((row) => row.id),
      cases: await casesOf(jobs, transaction)
    },
    vehicles: going.map((vehicle) => vehicle.name),
    staying: all.filter(({ stays }) => stays),
    terms: termsOf({
      name,
      phone,
      email,
      plates: all.flatMap(({ registration, chassis }) => [registration, chassis]),
      vehicles: going.map((vehicle) => vehicle.name)
    })
  }
}

/** What goes with one job; whose it was and its vehicle stay. */
export async function extentOfJob(id: string, transaction: Transaction): Promise<Extent> {
  const rows = { customers: [], vehicles: [], jobs: [id], pastJobs: [], cases: await casesOf([id], transaction) }
  return { rows, vehicles: [], staying: [], terms: [] }
}

async function casesOf(jobs: readonly string[], transaction: Transaction): Promise<string[]> {
  const rows = await PracticeCaseRow.findAll({ where: { jobId: [...jobs] }, attributes: ['id'], transaction })
  return rows.map(({ id }) => id)
}

/** What of an earlier erasing an older database holds again. */
export async function extentAgain(gone: ErasedRows, transaction: Transaction): Promise<Extent> {
  const there = async (
    table: typeof JobRow | typeof VehicleRow | typeof PastJobRow | typeof PracticeCaseRow,
    ids: readonly string[]
  ) =>
    (await (table as typeof JobRow).findAll({ where: { id: [...ids] }, attributes: ['id'], transaction })).map(
      ({ id }) => id
    )
  const extents: Extent[] = []
  for (const id of gone.customers) extents.push(await extentOfCustomer(id, transaction))
  const all = (name: keyof ErasedRows, ids: readonly string[]) => [
    ...new Set([...extents.flatMap(({ rows }) => rows[name]), ...ids])
  ]
  const jobs = all('jobs', await there(JobRow, gone.jobs))
  return {
    rows: {
      customers: all('customers', []),
      vehicles: all('vehicles', await there(VehicleRow, gone.vehicles)),
      jobs,
      pastJobs: all('pastJobs', await there(PastJobRow, gone.pastJobs)),
      cases: all('cases', [...(await there(PracticeCaseRow, gone.cases)), ...(await casesOf(jobs, transaction))])
    },
    vehicles: extents.flatMap(({ vehicles }) => vehicles),
    staying: extents.flatMap(({ staying }) => staying),
    terms: extents.flatMap(({ terms }) => terms)
  }
}

/** Where else the customer is written of: in no row that goes anyway. */
export async function mentionsElsewhere(
  { rows, terms }: Extent,
  transaction: Transaction
): Promise<{ row: WrittenRow; excerpt: string }[]> {
  const pattern = mentionPattern(terms)
  if (!pattern) return []
  const going = new Set([
    ...rows.customers.map((id) => `customers:${id}`),
    ...rows.vehicles.map((id) => `vehicles:${id}`),
    ...rows.pastJobs.map((id) => `past_jobs:${id}`),
    ...rows.cases.map((id) => `practice_cases:${id}`)
  ])
  const jobs = new Set(rows.jobs)
  return (await rowsWriting(terms, transaction)).flatMap((row) => {
    if (going.has(row.key) || (row.job !== null && jobs.has(row.job))) return []
    const excerpt = excerptOf(row.columns, pattern)
    return excerpt === null ? [] : [{ row, excerpt }]
  })
}

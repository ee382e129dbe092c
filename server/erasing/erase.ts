import { randomUUID } from 'node:crypto'
import type { Transaction } from 'sequelize'
import { isUuid } from '../../core/check'
import { eraseMentions, type ErasedRows, type ErasureKind, mentionPattern } from '../../core/views/erasing'
import { ERASED } from '../../words/en'
import { told } from '../../words/problems'
import { bound } from '../db/columns'
import { inTransaction, useDb } from '../db/connection'
import { CustomerRow, ErasureRow, JobRow, PastJobRow, PracticeCaseRow, VehicleRow } from '../db/models'
import { tell } from '../db/queries/acts'
import { lockBooks } from '../db/queries/archive'
import { countOnJobs, disown, summariesStale } from '../db/queries/erasing'
import { renameFill } from '../db/queries/schema'
import { rewrite, type WrittenRow } from '../db/queries/mentions'
import { ACTS_CHANNEL } from '../live/listen'
import { forgetLetters } from '../mail/standIn'
import { customerRow } from '../store/customers'
import { forgetShown } from '../store/board'
import { forgetOpened, noJob } from '../store/jobs'
import { Problem } from '../utils/problem'
import { type Extent, extentAgain, extentOfCustomer, extentOfJob, mentionsElsewhere } from './extent'
import { noteErasure } from './ledger'
import { keepWear } from './wear'

/** A mention of a customer in what is not erased with them. */
export interface Mention {
  key: string
  place: WrittenRow['place']
  job: string | null
  excerpt: string
}

/** What would be erased, and where else the customer is written of. */
export interface ErasurePlan {
  name: string
  vehicles: string[]
  /** Vehicles that somebody else's jobs are on: they stay, without what is known of the customer. */
  staying: string[]
  jobs: number
  entries: number
  photos: number
  shares: number
  pastJobs: number
  cases: number
  mentions: Mention[]
}

/** What erasing a customer would come to; nothing is erased. @throws Problem not-found */
export async function planErasure(id: string): Promise<ErasurePlan> {
  const { name } = await customerRow(id)
  return inTransaction(async (transaction) => {
    const extent = await extentOfCustomer(id, transaction)
    const { rows, vehicles, staying } = extent
    const { acts, photos, shares } = await countOnJobs(rows.jobs, transaction)
    const mentions = await mentionsElsewhere(extent, transaction)
    return {
      name,
      vehicles,
      staying: staying.map((vehicle) => vehicle.name),
      jobs: rows.jobs.length,
      entries: acts,
      photos,
      shares,
      pastJobs: rows.pastJobs.length,
      cases: rows.cases.length,
      mentions: mentions.map(({ row: { key, place, job }, excerpt }) => ({ key, place, job, excerpt }))
    }
  })
}

/** Who erases, and which mentions elsewhere they leave as they are. */
export interface Eraser {
  by: string
  left: readonly string[]
}

/**
 * Erases a customer for good: their jobs with all that hangs on them, their vehicles, and their name wherever else it
 * stands. Figures of wear stay, of no person.
 * @param typed their name, as who erases typed it once more
 * @returns the ledger's entry
 * @throws Problem not-found, bad-input where the name is another
 */
export async function eraseCustomer(id: string, typed: string, eraser: Eraser): Promise<{ id: string }> {
  const { name } = await customerRow(id)
  if (typed.trim().toLowerCase() !== name.trim().toLowerCase())
    throw new Problem('bad-input', told('erase-name-differs'), [{ place: 'name', ...told('erase-name-differs') }])
  return erase('customer', eraser, (transaction) => extentOfCustomer(id, transaction))
}

/**
 * Erases a deleted job for good.
 * @returns the ledger's entry
 * @throws Problem not-found, conflict for one that is not deleted
 */
export async function eraseJob(id: string, by: string): Promise<{ id: string }> {
  await useDb()
  const row = isUuid(id) ? await JobRow.findByPk(id, { attributes: ['state'] }) : null
  if (!row) throw noJob()
  if (row.state !== 'deleted') throw new Problem('conflict', told('job-not-deleted'))
  return erase('job', { by, left: [] }, (transaction) => extentOfJob(id, transaction))
}

async function erase(
  kind: ErasureKind,
  { by, left }: Eraser,
  find: (transaction: Transaction) => Promise<Extent>
): Promise<{ id: string }> {
  const erasure = await inTransaction(async (transaction) => {
    await lockBooks(transaction)
    const extent = await find(transaction)
    await eraseExtent(extent, { by, left }, transaction)
    const row = { id: randomUUID(), kind, erasedBy: by, rows: extent.rows, leftRows: [...left] }
    return ErasureRow.create(row, { transaction })
  })
  forgetOpened()
  forgetShown()
  forgetLetters()
  noteErasure(erasure)
  return { id: erasure.id }
}

async function eraseExtent(extent: Extent, { by, left }: Eraser, transaction: Transaction): Promise<void> {
  await keepWear(extent, by, transaction)
  await eraseElsewhere(extent, left, transaction)
  await removeRows(extent, transaction)
  await renameFill(bound(), transaction)
  for (const job of extent.rows.jobs) await tell(ACTS_CHANNEL, `${job} -`, transaction)
}

/** Takes the customer's name out of what stays. */
async function eraseElsewhere(extent: Extent, left: readonly string[], transaction: Transaction): Promise<void> {
  const pattern = mentionPattern(extent.terms)
  if (!pattern) return
  const touched = new Set<string>()
  for (const { row } of await mentionsElsewhere(extent, transaction)) {
    if (left.includes(row.key)) continue
    const columns = eraseMentions(row.columns, pattern, ERASED)
    // Two vehicles may not be called alike.
    if (row.place === 'vehicles' && columns.name !== row.columns.name)
      columns.name = `${String(columns.name)} ${row.key.slice(-4)}`
    await rewrite(row, columns, transaction)
    if (row.job) touched.add(row.job)
  }
  await summariesStale([...touched], transaction)
}

async function removeRows({ rows, staying }: Extent, transaction: Transaction): Promise<void> {
  const of = (ids: readonly string[]) => ({ where: { id: [...ids] }, transaction })
  await JobRow.destroy(of(rows.jobs))
  await PastJobRow.destroy(of(rows.pastJobs))
  await PracticeCaseRow.destroy(of(rows.cases))
  await disown(
    staying.map(({ id }) => id),
    transaction
  )
  await VehicleRow.destroy(of(rows.vehicles))
  await CustomerRow.destroy(of(rows.customers))
}

/** An erasing as the ledger tells it. */
export interface ListedErasure {
  id: string
  kind: ErasureKind
  by: string
  at: string
  jobs: number
  vehicles: number
}

/** What was erased, when and by whom, the newest first. */
export async function listErasures(): Promise<ListedErasure[]> {
  await useDb()
  const rows = await ErasureRow.findAll({ order: [['erasedAt', 'DESC']], limit: 500 })
  return rows.map(({ id, kind, erasedBy, erasedAt, rows: gone }) => ({
    id,
    kind,
    by: erasedBy,
    at: erasedAt.toISOString(),
    jobs: gone.jobs.length,
    vehicles: gone.vehicles.length
  }))
}

/** An erasing as a ledger holds it. */
export interface LedgerEntry {
  id: string
  kind: ErasureKind
  by: string
  at: string
  rows: ErasedRows
  left: readonly string[]
}

/**
 * Erases again what a database holds that is older than its erasing.
 * @returns how many of the ledger's entries found anything
 */
export async function eraseAgain(ledger: readonly LedgerEntry[]): Promise<number> {
  let found = 0
  await inTransaction(async (transaction) => {
    await lockBooks(transaction)
    for (const { id, kind, by, at, rows, left } of ledger) {
      const extent = await extentAgain(rows, transaction)
      const there = Object.values(extent.rows).some((ids) => ids.length > 0)
      if (there) await eraseExtent(extent, { by, left }, transaction)
      found += there ? 1 : 0
      const row = { id, kind, erasedBy: by, erasedAt: new Date(at), rows, leftRows: [...left] }
      await ErasureRow.bulkCreate([row], { ignoreDuplicates: true, transaction })
    }
  })
  return found
}

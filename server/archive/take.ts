import type { Transaction } from 'sequelize'
import type { Fault } from '../../core/check'
import type { DriveSheet } from '../../core/sheet'
import type { ArchivedJob, ArchiveHead, ArchiveList, ArchiveRow } from '../../core/views/archive'
import { told } from '../../words/problems'
import { inTransaction, useDb } from '../db/connection'
import {
  CustomerRow,
  ErasureRow,
  IntakeRow,
  JobRow,
  PastJobRow,
  PersonRow,
  PhotoRow,
  PracticeCaseRow,
  SettingRow,
  ShareRow,
  SheetRevisionRow,
  SheetRow,
  VehicleRow,
  WearFigureRow
} from '../db/models'
import { lockBooks } from '../db/queries/archive'
import { createJob } from '../db/rows'
import { COLUMNS_KEY, LEARNT_ID, LOGO_KEY, PRICING_KEY, SUSPECTS_KEY, WORKSHOP_KEY } from '../db/settingKeys'
import { heavily } from '../heavy/heavily'
import { asLogo } from '../photos/logo'
import { upright } from '../photos/upright'
import { Problem } from '../utils/problem'
import { LISTS } from './lists'
import { archiveProblem, openArchive, type OpenArchive } from './read'

/** What an archive brought. */
export interface ArchiveTaken {
  people: number
  customers: number
  vehicles: number
  engines: number
  jobs: number
  photos: number
}

/** Who takes an archive in, and what of it is told meanwhile. */
export interface Taker {
  by: string
  progress: (done: number, all: number) => void
  /** Has whoever asked gone away? Then nothing is kept. */
  gone: () => boolean
}

type Rows = { [L in ArchiveList]: ArchiveRow<L>[] }

/** Lists in the order in which their rows may name each other; jobs, sheets and shares come between and after. */
const BEFORE_JOBS = [
  'people',
  'intakes',
  'customers',
  'vehicles',
  'pastJobs',
  'cases',
  'runs',
  'learnt',
  'erasures',
  'wearFigures'
] as const satisfies readonly ArchiveList[]

/**
 * Takes a whole workshop in from its archive, all of it or nothing; by an empty workshop alone.
 * @throws Problem bad-input with each fault, conflict where something is kept here already
 */
export async function takeArchive(path: string, taker: Taker): Promise<ArchiveTaken> {
  await useDb()
  await checkEmpty()
  const archive = await openArchive(path)
  try {
    const head = await heavily('long', 'readHead', await archive.read('workshop.json', 'list'))
    const rows = await readAll(archive)
    checkReferences(rows)
    return await inTransaction(async (transaction) => {
      await lockBooks(transaction)
      await checkEmpty(transaction)
      return keepAll(archive, head, rows, { ...taker, transaction })
    })
  } finally {
    archive.close()
  }
}

async function checkEmpty(transaction?: Transaction): Promise<void> {
  const tables = [CustomerRow, VehicleRow, PastJobRow, IntakeRow, JobRow, SheetRow, PracticeCaseRow, ErasureRow]
  for (const table of [...tables, WearFigureRow, ShareRow])
    if ((await (table as typeof JobRow).count(transaction ? { transaction } : {})) > 0)
      throw new Problem('conflict', told('workshop-not-empty'))
}

async function readAll(archive: OpenArchive): Promise<Rows> {
  const rows: Partial<Record<ArchiveList, unknown>> = {}
  for (const [list, { file }] of Object.entries(LISTS) as [ArchiveList, { file: string }][])
    rows[list] = await heavily('long', 'readRows', await archive.read(file, 'list'), list, file)
  return rows as Rows
}

/** What rows name must be in the archive: the database would refuse it later, and say less. */
function checkReferences(rows: Rows): void {
  const ids = (list: 'customers' | 'vehicles' | 'intakes' | 'jobs') => new Set(rows[list].map(({ id }) => id))
  const [customers, vehicles, intakes, jobs] = [ids('customers'), ids('vehicles'), ids('intakes'), ids('jobs')]
  const faults: Fault[] = []
  const check = <L extends ArchiveList>(
    list: L,
    named: (row: ArchiveRow<L>) => (readonly [string, string | null, ReadonlySet<string>])[]
  ) =>
    rows[list].forEach((row, i) => {
      for (const [field, id, known] of named(row as ArchiveRow<L>))
        if (id !== null && !known.has(id))
          faults.push({ place: `${LISTS[list].file} [${i}].${field}`, ...told('archive-points-nowhere') })
    })
  check('customers', ({ intake }) => [['intake', intake, intakes]])
  check('vehicles', ({ customer, intake }) => [
    ['customer', customer, customers],
    ['intake', intake, intakes]
  ])
  check('pastJobs', ({ vehicle, intake }) => [
    ['vehicle', vehicle, vehicles],
    ['intake', intake, intakes]
  ])
  check('jobs', ({ vehicle, customer }) => [
    ['vehicle', vehicle, vehicles],
    ['customer', customer, customers]
  ])
  check('shares', ({ job }) => [['job', job, jobs]])
  if (faults.length > 0) throw archiveProblem(faults)
}

const AT_ONCE = 500

interface Keeping extends Taker {
  transaction: Transaction
}

async function keepAll(archive: OpenArchive, head: ArchiveHead, rows: Rows, keeping: Keeping): Promise<ArchiveTaken> {
  const { transaction } = keeping
  await keepHead(archive, head, transaction)
  for (const list of BEFORE_JOBS) await keepRows(list, rows[list], keeping)
  await keepSheets(archive, rows.sheets, keeping)
  const photos = await keepJobs(archive, rows.jobs, keeping)
  await keepRows('shares', rows.shares, keeping)
  return {
    people: rows.people.length,
    customers: rows.customers.length,
    vehicles: rows.vehicles.length,
    engines: rows.sheets.length,
    jobs: rows.jobs.length,
    photos
  }
}

async function keepHead(archive: OpenArchive, head: ArchiveHead, transaction: Transaction): Promise<void> {
  const settings = {
    [WORKSHOP_KEY]: head.workshop,
    [PRICING_KEY]: head.pricing,
    ...(head.suspects ? { [SUSPECTS_KEY]: head.suspects } : {}),
    [COLUMNS_KEY]: Object.fromEntries(head.columns.map(({ heading, field }) => [heading, field])),
    ...(head.learntId === null ? {} : { [LEARNT_ID]: head.learntId }),
    ...(archive.has('logo.png')
      ? { [LOGO_KEY]: (await asLogo(await archive.read('logo.png', 'picture'))).toString('base64') }
      : {})
  }
  for (const [key, value] of Object.entries(settings)) await SettingRow.upsert({ key, value }, { transaction })
}

async function keepRows<L extends ArchiveList>(
  list: L,
  rows: readonly ArchiveRow<L>[],
  keeping: Keeping
): Promise<void> {
  for (let i = 0; i < rows.length; i += AT_ONCE) {
    goOn(keeping)
    await LISTS[list].keep(rows.slice(i, i + AT_ONCE), keeping.transaction)
  }
}

function goOn({ gone }: Keeping): void {
  if (gone()) throw new Problem('bad-request', told('archive-called-off'))
}

async function keepSheets(archive: OpenArchive, rows: readonly ArchiveRow<'sheets'>[], keeping: Keeping) {
  const { transaction } = keeping
  for (const { id, revision, removed, revisions } of rows) {
    goOn(keeping)
    const drives = new Map<number, DriveSheet>()
    for (const { revision: number } of revisions) {
      const name = `sheets/${id}.${number}.json`
      drives.set(number, await heavily('long', 'readDrive', await archive.read(name, 'job'), name))
    }
    const body = drives.get(revision)
    if (!body) throw archiveProblem([{ place: `sheets.json: ${id}`, ...told('archive-points-nowhere') }])
    await SheetRow.create({ id, name: body.name, body, revision, removed }, { transaction })
    await SheetRevisionRow.bulkCreate(
      revisions.map(({ savedAt, ...row }) => ({
        ...row,
        sheetId: id,
        body: drives.get(row.revision)!,
        savedAt: new Date(savedAt)
      })),
      { transaction, returning: false }
    )
  }
}

/** @returns how many pictures came with them */
async function keepJobs(archive: OpenArchive, rows: readonly ArchiveRow<'jobs'>[], keeping: Keeping): Promise<number> {
  const { transaction, progress, by } = keeping
  const people = new Map((await PersonRow.findAll({ transaction })).map(({ id, name }) => [name, id]))
  const at = new Date().toISOString()
  let photos = 0
  for (const [i, { id, vehicle, customer, sheetRevision }] of rows.entries()) {
    goOn(keeping)
    const name = `jobs/${id}.json`
    const file = await archive.read(name, 'job')
    const besideIt = await archive.read(`jobs/${id}.kept.json`, 'job')
    const { job, acts, kept } = await heavily('long', 'readArchivedJob', file, besideIt, { name, by, at })
    const beside = new Map(
      kept.acts.map((act) => [
        act.id,
        { personId: act.person === null ? null : (people.get(act.person) ?? null), receivedAt: new Date(act.at) }
      ])
    )
    await createJob(id, { ...job, vehicleId: vehicle, sheetRevision }, acts, {
      demo: false,
      transaction,
      kept: { customer, beside }
    })
    for (const photo of kept.photos) await keepPicture(archive, id, photo, transaction)
    photos += kept.photos.length
    progress(i + 1, rows.length)
  }
  return photos
}

async function keepPicture(
  archive: OpenArchive,
  jobId: string,
  { id, sent, at }: ArchivedJob['photos'][number],
  transaction: Transaction
): Promise<void> {
  const picture = await upright(await archive.read(`photos/${jobId}/${id}.jpg`, 'picture'))
  await PhotoRow.create({ id, jobId, sent, receivedAt: new Date(at), ...picture }, { transaction, returning: false })
}

import { once } from 'node:events'
import { Readable } from 'node:stream'
import Papa from 'papaparse'
import { type Sequelize, Transaction } from 'sequelize'
import yazl from 'yazl'
import { knownPart } from '../../core/check'
import { driveSchema, type DriveSheet } from '../../core/sheet'
import { CORE_VERSION } from '../../core/paths'
import { type Act, exportJob, type JobExport } from '../../core/record'
import { type ArchivedJob, type ArchiveHead, type ArchiveList } from '../../core/views/archive'
import { formats } from '../../core/views/formats'
import { partOf } from '../../core/readings'
import { ARCHIVE_README } from '../../words/en'
import { useDb } from '../db/connection'
import { ActRow, JobRow, PersonRow, PhotoRow, SettingRow, SheetRevisionRow } from '../db/models'
import { endWhenIdle } from '../db/queries/archive'
import { heavily } from '../heavy/heavily'
import { keptJob, QUICK } from '../store/jobs'
import { shopPricing } from '../store/pricing'
import { ownSuspects } from '../store/suspects'
import { workshopFacts } from '../store/workshop'
import { told } from '../../words/problems'
import { log } from '../utils/log'
import { Problem } from '../utils/problem'
import { LISTS } from './lists'
import { COLUMNS_KEY, LEARNT_ID, LOGO_KEY } from '../db/settingKeys'

/** A file of the archive: its name, and its pieces as they are asked for. */
interface Entry {
  name: string
  pieces: AsyncIterable<string | Buffer>
  /** Is it packed already, as pictures are? */
  packed?: boolean
}

/** One at a time: each holds a connection to the database for as long as somebody downloads it. */
let making = false
/** How long whoever downloads it may stand still. */
const STANDSTILL = '2min'

/**
 * The whole workshop as open files in one archive: as it is in one moment, made as it is read, with no more than a
 * picture in memory.
 */
export async function writeArchive(): Promise<Readable> {
  const db = await useDb()
  if (making) throw new Problem('not-ready', told('archive-in-making'))
  making = true
  const zip = new yazl.ZipFile()
  const out = zip.outputStream as Readable
  zip.on('error', (error: Error) => out.destroy(error))
  out.once('error', (error) => log.warn({ err: error }, 'an archive was not finished'))
  void fill(db, zip, out)
    .catch((error: unknown) => out.destroy(error as Error))
    .finally(() => (making = false))
  return out
}

async function fill(db: Sequelize, zip: yazl.ZipFile, out: Readable): Promise<void> {
  const gone = once(out, 'close').catch(() => undefined)
  const isolationLevel = Transaction.ISOLATION_LEVELS.REPEATABLE_READ
  await db.transaction({ isolationLevel, readOnly: true }, async (transaction) => {
    const mtime = new Date()
    await endWhenIdle(STANDSTILL, transaction)
    for await (const { name, pieces, packed } of entries(transaction, mtime)) {
      if (out.destroyed) throw new Error('nobody reads the archive any more')
      const stream = Readable.from(pieces, { objectMode: false })
      zip.addReadStream(stream, name, { mtime, mode: 0o100600, compress: !packed })
      await Promise.race([once(stream, 'close'), gone])
    }
  })
  zip.end()
}

async function* entries(transaction: Transaction, madeAt: Date): AsyncGenerator<Entry> {
  yield whole('README.txt', ARCHIVE_README)
  yield whole('workshop.json', pretty(await headOf(transaction, madeAt)))
  const logo = await SettingRow.findByPk(LOGO_KEY, { transaction })
  if (typeof logo?.value === 'string') yield { ...whole('logo.png', Buffer.from(logo.value, 'base64')), packed: true }
  for (const list of Object.keys(LISTS) as ArchiveList[])
    yield { name: LISTS[list].file, pieces: rowsAsJson(LISTS[list].read(transaction)) }
  for (const list of ['customers', 'vehicles', 'pastJobs'] as const)
    yield { name: `csv/${LISTS[list].file.replace('.json', '.csv')}`, pieces: rowsAsCsv(LISTS[list].read(transaction)) }
  yield* drives(transaction)
  yield* jobs(transaction)
  for (const [name, schema] of Object.entries(formats())) yield whole(`schemas/${name}.schema.json`, pretty(schema))
}

const pretty = (value: object) => `${JSON.stringify(value, null, 1)}\n`

function whole(name: string, body: string | Buffer): Entry {
  return {
    name,
    pieces: (async function* () {
      yield body
    })()
  }
}

async function headOf(transaction: Transaction, madeAt: Date): Promise<ArchiveHead> {
  const columns = (await SettingRow.findByPk(COLUMNS_KEY, { transaction }))?.value ?? {}
  const learntId = (await SettingRow.findByPk(LEARNT_ID, { transaction }))?.value ?? null
  return {
    format: 'umbrette-workshop',
    version: 1,
    madeAt: madeAt.toISOString(),
    core: CORE_VERSION,
    workshop: await workshopFacts(),
    pricing: await shopPricing(),
    suspects: await ownSuspects(),
    columns: Object.entries(columns as Record<string, string | null>).map(([heading, field]) => ({ heading, field })),
    learntId: learntId as string | null
  }
}

/** A list as JSON, a row on each line. */
async function* rowsAsJson(rows: AsyncGenerator<object>): AsyncGenerator<string> {
  let before = '[\n'
  for await (const row of rows) {
    yield before + JSON.stringify(row)
    before = ',\n'
  }
  yield before === '[\n' ? '[]\n' : '\n]\n'
}

/** A list as CSV. Cells that a spreadsheet would run are made harmless. */
async function* rowsAsCsv(rows: AsyncGenerator<object>): AsyncGenerator<string> {
  let header = true
  for await (const row of rows) {
    const flat = Object.fromEntries(Object.entries(row).map(([key, value]) => [key, cell(value)]))
    yield `${Papa.unparse([flat], { escapeFormulae: true, header })}\r\n`
    header = false
  }
}

function cell(value: unknown): unknown {
  if (Array.isArray(value)) return value.join(' ')
  return value !== null && typeof value === 'object' ? Object.values(value).join(' ') : value
}

/** Every revision of every sheet, each a file that can be taken in by itself. */
async function* drives(transaction: Transaction): AsyncGenerator<Entry> {
  const all = await SheetRevisionRow.findAll({
    attributes: ['sheetId', 'revision'],
    order: ['sheetId', 'revision'],
    transaction
  })
  for (const { sheetId, revision } of all) {
    const row = await SheetRevisionRow.findOne({ where: { sheetId, revision }, transaction })
    if (row) yield whole(`sheets/${sheetId}.${revision}.json`, pretty(knownPart(driveSchema, row.body) as DriveSheet))
  }
}

/** Each job as a file that can be taken in by itself, what is kept beside it, and its pictures. */
async function* jobs(transaction: Transaction): AsyncGenerator<Entry> {
  const names = new Map((await PersonRow.findAll({ transaction })).map(({ id, name }) => [id, name]))
  for await (const { id } of LISTS.jobs.read(transaction)) {
    const row = await JobRow.findByPk(id, { transaction })
    if (!row) continue
    const acts = await ActRow.findAll({ where: { jobId: id }, order: [['seq', 'ASC']], transaction })
    const photos = await PhotoRow.findAll({
      where: { jobId: id },
      attributes: ['id', 'sent', 'receivedAt'],
      order: ['receivedAt', 'id'],
      transaction
    })
    const bodies = acts.map(({ body }) => body)
    const file = await fileOf(row, bodies)
    const kept: ArchivedJob = {
      acts: acts.map(({ id: act, personId, receivedAt }) => ({
        id: act,
        person: personId === null ? null : (names.get(personId) ?? null),
        at: receivedAt.toISOString()
      })),
      photos: photos.map(({ id: photo, sent, receivedAt }) => ({ id: photo, sent, at: receivedAt.toISOString() }))
    }
    yield whole(`jobs/${id}.json`, `${JSON.stringify(file)}\n`)
    yield whole(`jobs/${id}.kept.json`, pretty(kept))
    if (file.readings.length > 0) yield whole(`csv/readings/${id}.csv`, readingsOf(file))
    for (const { id: photo } of photos) {
      const picture = await PhotoRow.findByPk(photo, { attributes: ['body'], transaction })
      if (picture) yield { ...whole(`photos/${id}/${photo}.jpg`, picture.body), packed: true }
    }
  }
}

/** A job of many entries is written out behind the server. */
function fileOf(row: JobRow, acts: readonly Act[]): Promise<JobExport> | JobExport {
  return acts.length > QUICK ? heavily('long', 'exportJob', keptJob(row), acts) : exportJob(keptJob(row), acts)
}

function readingsOf({ readings }: JobExport): string {
  const rows = readings.map((reading) => ({
    kind: reading.kind,
    part: partOf(reading),
    value: reading.value ?? '',
    finding: reading.finding ?? '',
    method: reading.method ?? '',
    by: reading.by ?? '',
    at: reading.at ?? '',
    note: reading.note ?? ''
  }))
  return `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`
}

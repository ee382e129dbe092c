import { isUuid } from '../../core/check'
import { randomUUID } from 'node:crypto'
import type { Transaction } from 'sequelize'
import {
  type HistoryField,
  type HistoryOutcome,
  type HistoryPlan,
  HistoryReader,
  type PlannedRow
} from '../../core/views/history'
import { HISTORY_HEADINGS } from '../../words/en'
import { told } from '../../words/problems'
import { inTransaction, useDb } from '../db/connection'
import { CustomerRow, IntakeRow, PastJobRow, SettingRow, SheetRow, VehicleRow } from '../db/models'
import { COLUMNS_KEY } from '../db/settingKeys'
import { knownHistory, removeIntake } from '../db/queries/intakes'
import { heavily } from '../heavy/heavily'
import { readTable } from '../intake/readTable'
import { Problem } from '../utils/problem'

/** A file as it is looked at first: its columns with some of what is in them, and what each may be. */
export interface TableLook {
  columns: { heading: string; samples: string[]; field: HistoryField | null }[]
  rows: number
}

/** What a file would bring, or has brought. */
export interface IntakeTried {
  taken: number
  customers: { fresh: number; known: number }
  vehicles: { fresh: number; known: number }
  jobs: number
  /** Rows that cannot be taken, and those that something is worth knowing of; the first of each. */
  out: PlannedRow[]
  outCount: number
  noted: PlannedRow[]
  notedCount: number
}

const SAMPLES = 3
const SHOWN = 300

/** Looks at a file. @throws Problem bad-input, too-large */
export async function lookAtTable(bytes: Uint8Array): Promise<TableLook> {
  const { headings, rows } = await readTable(Buffer.from(bytes))
  await useDb()
  const remembered = ((await SettingRow.findByPk(COLUMNS_KEY))?.value ?? {}) as Record<string, HistoryField | null>
  const columns = headings.map((heading, i) => ({
    heading,
    samples: [...new Set(rows.map((row) => (row[i] ?? '').trim()).filter(Boolean))].slice(0, SAMPLES),
    field: guess(heading, remembered)
  }))
  return { columns: onceEach(columns), rows: rows.length }
}

function guess(heading: string, remembered: Readonly<Record<string, HistoryField | null>>): HistoryField | null {
  const key = heading.toLowerCase()
  if (Object.hasOwn(remembered, key)) return remembered[key] ?? null
  const found = Object.entries(HISTORY_HEADINGS).find(([, names]) => names.includes(key))
  return (found?.[0] as HistoryField | undefined) ?? null
}

/** Of two columns that would be the same, the first is; those that hold lines of a text go together. */
function onceEach(columns: TableLook['columns']): TableLook['columns'] {
  const together: HistoryField[] = ['address', 'work', 'model']
  return columns.map((column, i) =>
    column.field && !together.includes(column.field) && columns.findIndex(({ field }) => field === column.field) < i
      ? { ...column, field: null }
      : column
  )
}

/** Reads a whole file as it would be kept; nothing is. */
export async function planIntake(bytes: Uint8Array, plan: HistoryPlan): Promise<HistoryOutcome> {
  const { rows } = await readTable(Buffer.from(bytes))
  await useDb()
  const sheets = await SheetRow.findAll({ where: { removed: false }, attributes: ['id', 'name', 'body'] })
  const engines = sheets.map(({ id, name, body }) => ({
    id,
    name,
    parts: [...body.chains, ...body.tensioners, ...body.rails, ...body.phasers, ...body.sprockets]
  }))
  const reader = new HistoryReader(plan, engines, new Date().toISOString().slice(0, 10), await knownHistory())
  rows.forEach((row, i) => reader.add(row, i + 2))
  return reader.outcome
}

/** What a file would bring. @throws Problem bad-input, too-large */
export async function tryIntake(bytes: Buffer, plan: HistoryPlan): Promise<IntakeTried> {
  return countsOf(await heavily('long', 'planIntake', bytes, plan))
}

function countsOf({ rows, customers, vehicles }: HistoryOutcome): IntakeTried {
  const good = rows.filter(({ faults }) => faults.length === 0)
  const out = rows.filter(({ faults }) => faults.length > 0)
  const noted = good.filter(({ notes }) => notes.length > 0)
  const known = (of: 'customer' | 'vehicle') =>
    new Set(good.flatMap((row) => (row[of] && !row[of].startsWith('n:') ? [row[of]] : []))).size
  return {
    taken: good.length,
    customers: { fresh: customers.length, known: known('customer') },
    vehicles: { fresh: vehicles.length, known: known('vehicle') },
    jobs: good.filter(({ job }) => job).length,
    out: out.slice(0, SHOWN),
    outCount: out.length,
    noted: noted.slice(0, SHOWN),
    notedCount: noted.length
  }
}

/** What is taken in, by whom, and what of it is told meanwhile. */
export interface Taking {
  plan: HistoryPlan
  headings: readonly string[]
  name: string
  by: string
  /** Take the rows that can be without those that cannot? */
  without: boolean
  progress: (done: number, all: number) => void
  /** Has whoever asked gone away? Then nothing is kept. */
  gone: () => boolean
}

const AT_ONCE = 1000

/** Takes a file in, all of it or nothing. @throws Problem conflict where rows cannot be taken and are not left out */
export async function takeIntake(bytes: Buffer, { plan, headings, name, by, without, progress, gone }: Taking) {
  const outcome = await heavily('long', 'planIntake', bytes, plan)
  const tried = countsOf(outcome)
  if (tried.outCount > 0 && !without)
    throw new Problem('conflict', told('intake-rows-stand-out', { rows: tried.outCount }))
  const id = randomUUID()
  await inTransaction(async (transaction) => {
    const counts = { customers: outcome.customers.length, vehicles: outcome.vehicles.length, jobs: tried.jobs }
    await IntakeRow.create({ id, name, madeBy: by, counts }, { transaction })
    await keepOutcome(outcome, { id, by, transaction, progress, gone })
  })
  await rememberColumns(headings, plan)
  return { id, ...tried }
}

async function keepOutcome(
  { customers, vehicles, rows }: HistoryOutcome,
  {
    id: intakeId,
    by,
    transaction,
    progress,
    gone
  }: Pick<Taking, 'progress' | 'gone' | 'by'> & { id: string; transaction: Transaction }
): Promise<void> {
  const ids = new Map<string, string>()
  const idOf = (kind: string, key: string | null) => {
    if (key === null || !key.startsWith('n:')) return key
    const named = `${kind}${key}`
    if (!ids.has(named)) ids.set(named, randomUUID())
    return ids.get(named)!
  }
  const jobs = rows.filter(({ faults, job, vehicle }) => faults.length === 0 && job && vehicle)
  const all = customers.length + vehicles.length + jobs.length
  let done = 0
  const inPieces = async <T>(list: readonly T[], keep: (piece: T[]) => Promise<unknown>) => {
    for (let i = 0; i < list.length; i += AT_ONCE) {
      if (gone()) throw new Problem('bad-request', told('intake-called-off'))
      const piece = list.slice(i, i + AT_ONCE)
      await keep(piece)
      progress((done += piece.length), all)
    }
  }
  const quietly = { transaction, returning: false, validate: false }
  await inPieces(customers, (piece) =>
    CustomerRow.bulkCreate(
      piece.map(({ key, ...facts }) => ({ id: idOf('c', key)!, ...facts, intakeId })),
      quietly
    )
  )
  await inPieces(vehicles, (piece) =>
    VehicleRow.bulkCreate(
      piece.map(({ key, customer, sheet, ...facts }) => ({
        id: idOf('v', key)!,
        ...facts,
        sheetId: sheet,
        customerId: idOf('c', customer),
        intakeId
      })),
      quietly
    )
  )
  await inPieces(jobs, (piece) =>
    PastJobRow.bulkCreate(
      piece.map(({ vehicle, job, sheet }) => ({
        id: randomUUID(),
        vehicleId: idOf('v', vehicle)!,
        ...job!,
        renewed: [...job!.renewed],
        sheetId: sheet,
        keptBy: by,
        intakeId
      })),
      quietly
    )
  )
}

/** What columns were is what those of the same headings are taken for next time. */
async function rememberColumns(headings: readonly string[], { fields }: HistoryPlan): Promise<void> {
  const before = ((await SettingRow.findByPk(COLUMNS_KEY))?.value ?? {}) as Record<string, unknown>
  const now = Object.fromEntries(headings.map((heading, i) => [heading.toLowerCase(), fields[i] ?? null]))
  const all = Object.entries({ ...before, ...now }).slice(-200)
  await SettingRow.upsert({ key: COLUMNS_KEY, value: Object.fromEntries(all) })
}

/** An intake as it is listed. */
export interface ListedIntake {
  id: string
  name: string
  by: string
  at: string
  counts: { customers: number; vehicles: number; jobs: number }
  undone: boolean
}

/** Intakes, the newest first. */
export async function listIntakes(): Promise<ListedIntake[]> {
  await useDb()
  const rows = await IntakeRow.findAll({ order: [['madeAt', 'DESC']], limit: 100 })
  return rows.map(({ id, name, madeBy, madeAt, counts, undoneAt }) => ({
    id,
    name,
    by: madeBy,
    at: madeAt.toISOString(),
    counts,
    undone: undoneAt !== null
  }))
}

/**
 * Takes all that an intake brought out again, as one; what was used since stays. @returns how many of its customers and
 * vehicles stay. @throws Problem not-found
 */
export async function undoIntake(id: string): Promise<{ stay: number }> {
  await useDb()
  return inTransaction(async (transaction) => {
    const row = isUuid(id) ? await IntakeRow.findByPk(id, { transaction, lock: true }) : null
    if (!row || row.undoneAt) throw new Problem('not-found', told('no-such-intake'))
    await row.update({ undoneAt: new Date() }, { transaction })
    return { stay: await removeIntake(id, transaction) }
  })
}

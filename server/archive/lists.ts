import { type Model, type ModelStatic, Op, type Transaction, type WhereOptions } from 'sequelize'
import type { JobFile } from '../../core/readings'
import type { Debriefing, Move, PracticeCase } from '../../core/views/practice'
import type { JobSummary } from '../../core/views/summary'
import type { ArchiveList, ArchiveRow } from '../../core/views/archive'
import { LEARNT_FROM } from '../db/settingKeys'
import {
  CustomerRow,
  ErasureRow,
  IntakeRow,
  JobRow,
  PastJobRow,
  PersonRow,
  PracticeCaseRow,
  PracticeRunRow,
  SettingRow,
  ShareRow,
  SheetRevisionRow,
  SheetRow,
  VehicleRow,
  WearFigureRow
} from '../db/models'

/** A list of the archive: the file it is, how it is read out of the database, and how rows of it are kept there. */
interface List<L extends ArchiveList> {
  file: string
  read: (transaction: Transaction) => AsyncGenerator<ArchiveRow<L>>
  keep: (rows: readonly ArchiveRow<L>[], transaction: Transaction) => Promise<unknown>
}

const AT_ONCE = 500

/** All rows of a table in the order of what they are known by, some at a time. */
async function* rowsOf<M extends Model>(
  table: ModelStatic<M>,
  key: keyof M & string,
  transaction: Transaction,
  { where = {}, at = AT_ONCE }: { where?: WhereOptions; at?: number } = {}
): AsyncGenerator<M> {
  let after: unknown = null
  for (;;) {
    const rows = await table.findAll({
      where: after === null ? where : ({ [Op.and]: [where, { [key]: { [Op.gt]: after } }] } as WhereOptions),
      order: [[key, 'ASC']],
      limit: at,
      transaction
    })
    yield* rows
    if (rows.length < at) return
    after = rows.at(-1)![key]
  }
}

async function* mapped<T, U>(rows: AsyncGenerator<T>, map: (row: T) => U | Promise<U>): AsyncGenerator<U> {
  for await (const row of rows) yield await map(row)
}

const iso = (at: Date) => at.toISOString()
const isoOrNull = (at: Date | null) => at?.toISOString() ?? null
const dateOrNull = (at: string | null) => (at === null ? null : new Date(at))
const quietly = (transaction: Transaction) => ({ transaction, returning: false as const, validate: false })

type KeptLearnt = ArchiveRow<'learnt'>

export const LISTS: { readonly [L in ArchiveList]: List<L> } = {
  people: {
    file: 'people.json',
    read: (transaction) =>
      mapped(rowsOf(PersonRow, 'id', transaction), ({ name, former, role, retiredAt }) => ({
        name,
        former,
        role,
        retiredAt: isoOrNull(retiredAt)
      })),
    keep: async (rows, transaction) => {
      // Who is here already (who takes it in) stays who they are.
      const known = new Set((await PersonRow.findAll({ transaction })).map(({ name }) => name.toLowerCase()))
      await PersonRow.bulkCreate(
        rows
          .filter(({ name }) => !known.has(name.toLowerCase()))
          .map(({ retiredAt, former, ...row }) => ({ ...row, former: [...former], retiredAt: dateOrNull(retiredAt) })),
        quietly(transaction)
      )
    }
  },
  sheets: {
    file: 'sheets.json',
    read: (transaction) =>
      mapped(rowsOf(SheetRow, 'id', transaction, { at: 20 }), async ({ id, revision, removed }) => ({
        id,
        revision,
        removed,
        revisions: (
          await SheetRevisionRow.findAll({
            where: { sheetId: id },
            attributes: ['revision', 'savedBy', 'note', 'savedAt'],
            order: [['revision', 'ASC']],
            transaction
          })
        ).map(({ revision: number, savedBy, note, savedAt }) => ({
          revision: number,
          savedBy,
          note,
          savedAt: iso(savedAt)
        }))
      })),
    // Kept with their drives, which are files of their own.
    keep: async () => undefined
  },
  intakes: {
    file: 'intakes.json',
    read: (transaction) =>
      mapped(rowsOf(IntakeRow, 'id', transaction), ({ id, name, madeBy, madeAt, counts, undoneAt }) => ({
        id,
        name,
        by: madeBy,
        at: iso(madeAt),
        counts,
        undoneAt: isoOrNull(undoneAt)
      })),
    keep: (rows, transaction) =>
      IntakeRow.bulkCreate(
        rows.map(({ id, name, by, at, counts, undoneAt }) => ({
          id,
          name,
          madeBy: by,
          madeAt: new Date(at),
          counts,
          undoneAt: dateOrNull(undoneAt)
        })),
        quietly(transaction)
      )
  },
  customers: {
    file: 'customers.json',
    read: (transaction) =>
      mapped(
        rowsOf(CustomerRow, 'id', transaction),
        ({ id, name, phone, email, address, note, language, intakeId, madeAt, removedAt }) => ({
          id,
          name,
          phone,
          email,
          address,
          note,
          language,
          intake: intakeId,
          madeAt: iso(madeAt),
          removedAt: isoOrNull(removedAt)
        })
      ),
    keep: (rows, transaction) =>
      CustomerRow.bulkCreate(
        rows.map(({ intake, madeAt, removedAt, ...row }) => ({
          ...row,
          intakeId: intake,
          madeAt: new Date(madeAt),
          removedAt: dateOrNull(removedAt)
        })),
        quietly(transaction)
      )
  },
  vehicles: {
    file: 'vehicles.json',
    read: (transaction) =>
      mapped(
        rowsOf(VehicleRow, 'id', transaction),
        ({ id, name, note, registration, chassis, model, sheetId, customerId, intakeId, createdAt, removedAt }) => ({
          id,
          name,
          note,
          registration,
          chassis,
          model,
          sheet: sheetId,
          customer: customerId,
          intake: intakeId,
          madeAt: iso(createdAt),
          removedAt: isoOrNull(removedAt)
        })
      ),
    keep: (rows, transaction) =>
      VehicleRow.bulkCreate(
        rows.map(({ sheet, customer, intake, madeAt, removedAt, ...row }) => ({
          ...row,
          sheetId: sheet,
          customerId: customer,
          intakeId: intake,
          createdAt: new Date(madeAt),
          removedAt: dateOrNull(removedAt)
        })),
        quietly(transaction)
      )
  },
  pastJobs: {
    file: 'past-jobs.json',
    read: (transaction) =>
      mapped(rowsOf(PastJobRow, 'id', transaction), (row) => ({
        id: row.id,
        vehicle: row.vehicleId,
        doneOn: row.doneOn,
        usage: row.usage,
        work: row.work,
        doneBy: row.doneBy,
        renewed: row.renewed,
        elongation: row.elongation,
        sheet: row.sheetId,
        keptBy: row.keptBy,
        intake: row.intakeId,
        madeAt: iso(row.madeAt),
        removedAt: isoOrNull(row.removedAt)
      })),
    keep: (rows, transaction) =>
      PastJobRow.bulkCreate(
        rows.map(({ vehicle, sheet, intake, madeAt, removedAt, renewed, usage, elongation, ...row }) => ({
          ...row,
          usage: usage ?? null,
          elongation: elongation ?? null,
          renewed: [...renewed],
          vehicleId: vehicle,
          sheetId: sheet,
          intakeId: intake,
          madeAt: new Date(madeAt),
          removedAt: dateOrNull(removedAt)
        })),
        quietly(transaction)
      )
  },
  jobs: {
    file: 'jobs.json',
    read: (transaction) =>
      mapped(rowsOf(JobRow, 'id', transaction, { at: 100 }), ({ id, vehicleId, customerId, sheetRevision }) => ({
        id,
        vehicle: vehicleId,
        customer: customerId,
        sheetRevision
      })),
    // Kept one by one, with their acts and pictures.
    keep: async () => undefined
  },
  shares: {
    file: 'shares.json',
    read: (transaction) =>
      mapped(rowsOf(ShareRow, 'id', transaction, { at: 50 }), (row) => ({
        id: row.id,
        job: row.jobId,
        tokenHash: row.tokenHash,
        report: row.report,
        map: row.map,
        by: row.createdBy,
        at: iso(row.createdAt),
        expiresAt: iso(row.expiresAt),
        revokedAt: isoOrNull(row.revokedAt),
        mailed: row.mailed
      })),
    keep: (rows, transaction) =>
      ShareRow.bulkCreate(
        rows.map(({ id, job, tokenHash, report, map, by, at, expiresAt, revokedAt, mailed }) => ({
          id,
          jobId: job,
          tokenHash,
          report: report as ShareRow['report'],
          map: map as ShareRow['map'],
          createdBy: by,
          createdAt: new Date(at),
          expiresAt: new Date(expiresAt),
          revokedAt: dateOrNull(revokedAt),
          mailed: [...mailed]
        })),
        quietly(transaction)
      )
  },
  cases: {
    file: 'practice-cases.json',
    read: (transaction) =>
      mapped(rowsOf(PracticeCaseRow, 'id', transaction, { at: 50 }), (row) => ({
        id: row.id,
        title: row.title,
        by: row.createdBy,
        at: iso(row.createdAt),
        job: row.jobId,
        removed: row.removed,
        case: row.body
      })),
    keep: (rows, transaction) =>
      PracticeCaseRow.bulkCreate(
        rows.map(({ id, title, by, at, job, removed, case: body }) => ({
          id,
          title,
          body: body as PracticeCase,
          createdBy: by,
          createdAt: new Date(at),
          jobId: job,
          removed
        })),
        quietly(transaction)
      )
  },
  runs: {
    file: 'practice-runs.json',
    read: (transaction) =>
      mapped(rowsOf(PracticeRunRow, 'id', transaction, { at: 50 }), (row) => ({
        id: row.id,
        by: row.by,
        caseKey: row.caseKey,
        title: row.title,
        level: row.level,
        score: row.score,
        moves: row.moves,
        debriefing: row.debriefing,
        finishedAt: iso(row.finishedAt)
      })),
    keep: (rows, transaction) =>
      PracticeRunRow.bulkCreate(
        rows.map(({ moves, debriefing, finishedAt, ...row }) => ({
          ...row,
          moves: [...moves] as Move[],
          debriefing: debriefing as Debriefing,
          finishedAt: new Date(finishedAt)
        })),
        quietly(transaction)
      )
  },
  learnt: {
    file: 'learnt-elsewhere.json',
    read: (transaction) =>
      mapped(
        rowsOf(SettingRow, 'key', transaction, { where: { key: { [Op.startsWith]: LEARNT_FROM } } }),
        ({ value }) => value as KeptLearnt
      ),
    keep: (rows, transaction) =>
      SettingRow.bulkCreate(
        rows.map((value) => ({ key: `${LEARNT_FROM}${value.file.from}`, value })),
        quietly(transaction)
      )
  },
  erasures: {
    file: 'erasures.json',
    read: (transaction) =>
      mapped(rowsOf(ErasureRow, 'id', transaction), ({ id, kind, erasedBy, erasedAt, rows, leftRows }) => ({
        id,
        kind,
        by: erasedBy,
        at: iso(erasedAt),
        rows,
        left: leftRows
      })),
    keep: (rows, transaction) =>
      ErasureRow.bulkCreate(
        rows.map(({ id, kind, by, at, rows: gone, left }) => ({
          id,
          kind,
          erasedBy: by,
          erasedAt: new Date(at),
          rows: gone,
          leftRows: [...left]
        })),
        quietly(transaction)
      )
  },
  wearFigures: {
    file: 'wear-figures.json',
    read: (transaction) =>
      mapped(rowsOf(WearFigureRow, 'id', transaction), ({ id, sheetId, vehicle, month, finished, summary, file }) => ({
        id,
        sheet: sheetId,
        vehicle,
        month,
        finished,
        summary,
        file
      })),
    keep: (rows, transaction) =>
      WearFigureRow.bulkCreate(
        rows.map(({ sheet, summary, file, ...row }) => ({
          ...row,
          sheetId: sheet,
          summary: summary as JobSummary,
          file: file as JobFile | null
        })),
        quietly(transaction)
      )
  }
}

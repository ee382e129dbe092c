import { randomUUID } from 'node:crypto'
import type { Transaction } from 'sequelize'
import type { JobFile } from '../../core/readings'
import { withoutPerson } from '../../core/views/erasing'
import type { JobSummary } from '../../core/views/summary'
import { JobRow, PastJobRow, WearFigureRow } from '../db/models'
import { actsOf, keptJob } from '../store/jobs'
import { pastToLearnFrom } from '../store/past'
import { log } from '../utils/log'
import type { Extent } from './extent'

/**
 * Keeps what erased jobs have taught of wear, of no person and no vehicle that is known; and of a vehicle that stays,
 * which parts were fitted new.
 */
export async function keepWear({ rows }: Extent, by: string, transaction: Transaction): Promise<void> {
  const alias = new Map<string, string>()
  const nameless = (vehicle: string) => {
    if (!alias.has(vehicle)) alias.set(vehicle, randomUUID())
    return alias.get(vehicle)!
  }
  for (const id of rows.jobs) {
    const row = await JobRow.findByPk(id, { transaction })
    if (!row?.summary) continue
    const finished = row.state === 'closed' || row.state === 'archived'
    await WearFigureRow.create(
      {
        id: randomUUID(),
        sheetId: row.sheet.id,
        vehicle: nameless(row.vehicleId ?? id),
        month: monthOf(row.openedAt.toISOString()),
        finished,
        summary: summaryOnly({ ...row.summary, usage: row.summary.usage ?? row.usage }, row.openedAt.toISOString()),
        file: finished ? await fileOf(row, transaction) : null
      },
      { transaction }
    )
    if (row.vehicleId && !rows.vehicles.includes(row.vehicleId)) await keepFitted(row, row.summary, by, transaction)
  }
  await keepPast(rows.pastJobs, nameless, transaction)
}

const monthOf = (at: string) => at.slice(0, 7)

/** A summary's figures, and nothing of who, when and what for. */
function summaryOnly(summary: JobSummary, at: string): JobSummary {
  return { ...summary, next: null, waits: null, check: null, lastBy: '', lastAt: `${monthOf(at)}-15T12:00:00.000Z` }
}

/** What a job taught; null for one that cannot be read. */
async function fileOf(row: JobRow, transaction: Transaction): Promise<JobFile | null> {
  const acts = (await actsOf(row.id, transaction)).map(({ act }) => act)
  try {
    return withoutPerson(keptJob(row), acts)
  } catch (error) {
    log.warn({ err: error, job: row.id }, 'an erased job taught nothing')
    return null
  }
}

async function keepFitted(row: JobRow, summary: JobSummary, by: string, transaction: Transaction): Promise<void> {
  if (summary.renewed.length === 0) return
  await PastJobRow.create(
    {
      id: randomUUID(),
      vehicleId: row.vehicleId!,
      doneOn: row.openedAt.toISOString().slice(0, 10),
      usage: summary.usage ?? row.usage,
      sheetId: row.sheet.id,
      renewed: summary.renewed,
      elongation: null,
      keptBy: by
    },
    { transaction }
  )
}

async function keepPast(
  ids: readonly string[],
  nameless: (vehicle: string) => string,
  transaction: Transaction
): Promise<void> {
  for (const { vehicleId, usage, openedAt, summary } of await pastToLearnFrom(ids.length, { only: ids, transaction }))
    await WearFigureRow.create(
      {
        id: randomUUID(),
        sheetId: summary.sheet.id,
        vehicle: nameless(vehicleId ?? ''),
        month: monthOf(openedAt),
        finished: false,
        summary: summaryOnly({ ...summary, usage }, openedAt),
        file: null
      },
      { transaction }
    )
}

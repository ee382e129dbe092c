import type { Transaction } from 'sequelize'
import type { JobState } from '../../core/job/acts'
import { summarise, type JobSummary } from '../../core/job/summary'
import type { Usage } from '../../core/job/types'
import { useDb } from '../db/connection'
import { ActRow, JobRow } from '../db/models'
import { summaryColumns } from '../db/rows'
import { keptJob } from './jobs'

/** A job as lists show it. */
export interface ListedJob extends JobSummary {
  id: string
  vehicle: string
  vehicleId: string | null
  stand: string
  complaint: string
  usage: Usage
  state: JobState
  openedAt: string
}

/** Jobs whose summaries are made anew in one go; while that lasts, acts on them wait. */
const AT_ONCE = 10

/** Makes the summaries anew that acts have made stale, of one list or of the jobs named. */
export async function refreshSummaries(of: { state: JobState } | { ids: readonly string[] }): Promise<void> {
  const db = await useDb()
  const where = 'state' in of ? { state: of.state } : { id: [...of.ids] }
  const stale = await JobRow.findAll({ where: { ...where, stale: true }, attributes: ['id'], order: [['id', 'ASC']] })
  for (let i = 0; i < stale.length; i += AT_ONCE) {
    const ids = stale.slice(i, i + AT_ONCE).map(({ id }) => id)
    await db.transaction((transaction) => refresh(ids, transaction))
  }
}

/** The lock makes acts that are being kept finish first, and later ones mark the job stale again: none is missed. */
async function refresh(ids: readonly string[], transaction: Transaction): Promise<void> {
  const rows = await JobRow.findAll({ where: { id: [...ids], stale: true }, order: [['id', 'ASC']], lock: true, transaction })
  const acts = await ActRow.findAll({ where: { jobId: rows.map(({ id }) => id) }, order: [['seq', 'ASC']], transaction })
  for (const row of rows) {
    const summary = summarise(keptJob(row), acts.filter(({ jobId }) => jobId === row.id).map(({ body }) => body))
    await row.update(summaryColumns(summary), { transaction })
  }
}

/** Columns a list needs; a job's sheet is large and stays where it is. */
export const LISTED = ['id', 'vehicle', 'vehicleId', 'stand', 'complaint', 'usage', 'state', 'openedAt', 'summary'] as const

export function listedJob({ id, vehicle, vehicleId, stand, complaint, usage, state, openedAt, summary }: JobRow): ListedJob {
  return { ...summary!, id, vehicle, vehicleId, stand, complaint, usage, state, openedAt: openedAt.toISOString() }
}

import { Op } from 'sequelize'
import { learnt, type Learnt } from '../../core/learn/learnt'
import { useDb } from '../db/connection'
import { JobRow } from '../db/models'
import { refreshSummaries } from './summaries'

/** Jobs learnt from at the most, the newest. */
const MOST = 5000

/** What the workshop's jobs teach; deleted ones teach nothing. */
export async function workshopLearnt(): Promise<Learnt> {
  await useDb()
  for (const state of ['open', 'closed', 'archived'] as const) await refreshSummaries({ state })
  const rows = await JobRow.findAll({ where: { state: { [Op.ne]: 'deleted' } }, attributes: ['vehicle', 'vehicleId', 'usage', 'openedAt', 'state', 'summary'], order: [['openedAt', 'DESC']], limit: MOST })
  return learnt(rows.map(({ vehicle, vehicleId, usage, openedAt, state, summary }) => ({ vehicle, vehicleId, usage, openedAt: openedAt.toISOString(), closed: state === 'closed' || state === 'archived', summary: summary! })))
}

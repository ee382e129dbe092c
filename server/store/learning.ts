import { QueryTypes } from 'sequelize'
import { learnFrom, type Learnt } from '../../core/views/learn'
import type { JobState } from '../../core/record'
import type { JobSummary } from '../../core/views/summary'
import type { Usage } from '../../core/readings'
import { useDb } from '../db/connection'
import { heavily } from '../heavy/heavily'

/** Jobs learnt from at the most, the newest. */
const MOST = 5000

/** What the workshop's jobs teach; deleted ones, and those of which nothing could be computed, teach nothing. */
export async function workshopLearnt(): Promise<Learnt> {
  return heavily('asked', 'learntNow')
}

export async function learntNow(): Promise<Learnt> {
  const db = await useDb()
  const rows = await db.query<{
    vehicle: string
    vehicleId: string | null
    usage: Usage
    openedAt: Date
    state: JobState
    summary: JobSummary
  }>(
    'select vehicle, vehicle_id as "vehicleId", usage, opened_at as "openedAt", state, summary from jobs where state <> \'deleted\' and summary is not null order by opened_at desc limit $1',
    { bind: [MOST], type: QueryTypes.SELECT }
  )
  return learnFrom(
    rows.map(({ vehicle, vehicleId, usage, openedAt, state, summary }) => ({
      vehicle,
      vehicleId,
      usage,
      openedAt: openedAt.toISOString(),
      closed: state === 'closed' || state === 'archived',
      summary
    }))
  )
}

import { learnFrom, type Learnt } from '../../core/views/learn'
import { useDb } from '../db/connection'
import { summarisedJobs } from '../db/queries/jobs'
import { heavily } from '../heavy/heavily'

/** Jobs learnt from at the most, the newest. */
const MOST = 5000

/** What the workshop's jobs teach; deleted ones, and those of which nothing could be computed, teach nothing. */
export async function workshopLearnt(): Promise<Learnt> {
  return heavily('asked', 'learntNow')
}

export async function learntNow(): Promise<Learnt> {
  await useDb()
  const rows = await summarisedJobs(MOST)
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

import { foldActs, sheetOf } from '../../core/record'
import type { GoodTrace } from '../../core/trace'
import { useDb } from '../db/connection'
import { jobsWithGoodTraces } from '../db/queries/acts'
import { findJob } from './jobs'

/** A trace kept as good, as a job that it may be compared with is shown it. */
export interface KeptGoodTrace extends GoodTrace {
  /** The act that keeps it. */
  id: string
  /** Is it of the job's own vehicle? Otherwise of another engine of its type. */
  own: boolean
  vehicle: string
  file: string
  by: string
  at: string
}

/** Jobs among which they are looked for. */
const MOST_JOBS = 12

/** Traces kept as good for a job: its vehicle's, then its engine type's; the newest first. */
export async function goodTracesFor(jobId: string): Promise<KeptGoodTrace[]> {
  await useDb()
  const { job, acts } = await opened(jobId)
  const vehicleId = job.vehicleId ?? null
  const sheet = sheetOf(job.sheet, foldActs(acts, job.school))
  const found: KeptGoodTrace[] = []
  for (const id of await jobsWithGoodTraces(jobId, vehicleId, sheet.id, MOST_JOBS)) {
    const other = await opened(id)
    const isOwn = id === jobId || (vehicleId !== null && other.job.vehicleId === vehicleId)
    const kept = foldActs(other.acts, other.job.school).goodTraces.filter(({ of }) => of === 'type' || isOwn)
    for (const { id: act, of, file, by, at, turns, rpm, error, triggers } of kept.reverse())
      found.push({
        id: act,
        own: isOwn && of === 'vehicle',
        vehicle: other.job.vehicle,
        ...{ file, by, at, turns, rpm, error, triggers }
      })
  }
  return found.sort((a, b) => Number(b.own) - Number(a.own))
}

async function opened(id: string) {
  const { job, acts } = await findJob(id)
  return { job, acts: acts.map(({ act }) => act) }
}

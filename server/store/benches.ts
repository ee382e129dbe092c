import { isUuid } from '../../core/check'
import { useDb } from '../db/connection'
import { BenchRow, JobRow } from '../db/models'
import { tell } from '../db/queries/acts'
import { ACTS_CHANNEL } from '../live/listen'
import { noJob } from './jobs'

/** The part that is open on a job's bench; empty where none is known. */
export async function openPart(jobId: string): Promise<{ part: string }> {
  await useDb()
  const row = isUuid(jobId) ? await BenchRow.findByPk(jobId) : null
  return { part: row?.part ?? '' }
}

/** Notes which part is open on a job's bench, and tells who follows it. @throws Problem not-found */
export async function noteOpenPart(jobId: string, part: string): Promise<{ part: string }> {
  await useDb()
  if (!isUuid(jobId) || (await JobRow.count({ where: { id: jobId } })) === 0) throw noJob()
  await BenchRow.upsert({ jobId, part, at: new Date() })
  await tell(ACTS_CHANNEL, `${jobId} @${part}`)
  return { part }
}

import type { Transaction } from 'sequelize'
import { foldActs, type Act } from '../../core/job/acts'
import type { KeptJob } from '../../core/job/types'
import { ActRow, JobRow } from './models'

/** Writes a job and the acts it comes with, within a transaction: all or nothing. */
export async function createJob(id: string, job: KeptJob, acts: readonly Act[], { demo, transaction }: { demo: boolean; transaction: Transaction }): Promise<void> {
  await JobRow.create({ id, demo, ...job, state: foldActs(acts, job.school).state, openedAt: new Date(job.openedAt) }, { transaction })
  if (acts.length > 0) await ActRow.bulkCreate(acts.map((act) => ({ jobId: id, id: act.id, body: act })), { transaction })
}

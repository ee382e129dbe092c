import { Op, where } from 'sequelize'
import { JobRow } from '../db/models'
import { useDb } from '../db/connection'
import { CHECK_DATE_OF_JOB } from '../db/queries/jobs'
import { LISTED, listedJob, type ListedJob } from './summaries'

/** Checks shown at the most. */
const MOST = 30

/**
 * Jobs to be looked at again up to a date, the earliest first; those that are overdue stay until a new date is kept.
 */
export async function checksDue(until: string): Promise<ListedJob[]> {
  await useDb()
  const rows = await JobRow.findAll({
    where: {
      state: { [Op.notIn]: ['deleted', 'archived'] },
      [Op.and]: [where(CHECK_DATE_OF_JOB, { [Op.lte]: until })]
    },
    attributes: [...LISTED],
    order: [
      [CHECK_DATE_OF_JOB, 'ASC'],
      ['id', 'ASC']
    ],
    limit: MOST
  })
  return rows.map(listedJob)
}

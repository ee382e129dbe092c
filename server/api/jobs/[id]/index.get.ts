import { getRouterParam } from 'h3'
import { assessRecord } from '../../../../core/job/assessRecord'
import { findJob } from '../../../store/jobs'
import { route } from '../../../utils/route'

export default route(async (event) => {
  const { id, job, acts } = await findJob(getRouterParam(event, 'id')!)
  return { id, job, acts, assessment: assessRecord(job, acts.map(({ act }) => act)) }
})

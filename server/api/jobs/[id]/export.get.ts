import { getRouterParam, setResponseHeader } from 'h3'
import { exportJob } from '../../../../core/job/exchange'
import { findJob } from '../../../store/jobs'
import { route } from '../../../utils/route'

export default route(async (event) => {
  const { job, acts } = await findJob(getRouterParam(event, 'id')!)
  const name = job.vehicle.normalize('NFKD').replaceAll(/[^\w]+/g, '-').replaceAll(/^-|-$/g, '').toLowerCase() || 'job'
  setResponseHeader(event, 'Content-Type', 'application/json')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${name}.umbrette-job.json"`)
  return JSON.stringify(exportJob(job, acts.map(({ act }) => act)), null, 1)
})

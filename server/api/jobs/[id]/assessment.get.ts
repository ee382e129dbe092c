import { setResponseHeader } from 'h3'
import { assessRecord } from '../../../../core/job/assessRecord'
import { findJob } from '../../../store/jobs'
import { named, route } from '../../../utils/route'

/** The assessment, byte for byte as the command line prints it. */
export default route(async (event) => {
  const { job, acts } = await findJob(named(event, 'id'))
  setResponseHeader(event, 'Content-Type', 'application/json')
  return `${JSON.stringify(assessRecord(job, acts.map(({ act }) => act)))}\n`
})

import { getRouterParam, setResponseHeader } from 'h3'
import { readingsCsv } from '../../../csv/readingsCsv'
import { findJob } from '../../../store/jobs'
import { route } from '../../../utils/route'
import { fileName } from '../../../pdf/sendReport'

export default route(async (event) => {
  const { job, acts } = await findJob(getRouterParam(event, 'id')!)
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(job.vehicle)}-readings.csv"`)
  return readingsCsv(job, acts.map(({ act }) => act))
})

import { setResponseHeader } from 'h3'
import { readingsCsv } from '../../../csv/readingsCsv'
import { findJob } from '../../../store/jobs'
import { named, route } from '../../../utils/route'
import { fileName } from '../../../pdf/fileName'

export default route(async (event) => {
  const { job, acts } = await findJob(named(event, 'id'))
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(job.vehicle)}-readings.csv"`)
  return readingsCsv(job, acts.map(({ act }) => act))
})

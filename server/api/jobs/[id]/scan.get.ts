import { setResponseHeader } from 'h3'
import { DEMO_JOBS } from '../../../../demo/workshop'
import { simulatedScan } from '../../../../demo/scanSource'
import { foldActs, sheetOf } from '../../../../core/job/acts'
import { findJob } from '../../../store/jobs'
import { named, route } from '../../../utils/route'

/** The practice scan source plugged into a job's engine: a demo engine shows its own truth, any other a sound drive. */
export default route(async (event) => {
  const { id, job, acts } = await findJob(named(event, 'id'))
  const demo = DEMO_JOBS.findIndex((d) => d.id === id)
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  return simulatedScan(sheetOf(job.sheet, foldActs(acts.map(({ act }) => act), job.school)), DEMO_JOBS[demo]?.truth ?? {}, demo + 1)
})

import { setResponseHeader } from 'h3'
import { foldActs } from '../../../../core/job/acts'
import { checkCalendar } from '../../../calendar'
import { fileName } from '../../../pdf/fileName'
import { findJob } from '../../../store/jobs'
import { Problem } from '../../../utils/problem'
import { named, route } from '../../../utils/route'

export default route(async (event) => {
  const { id, job, acts } = await findJob(named(event, 'id'))
  const { check } = foldActs(acts.map(({ act }) => act), job.school)
  if (!check?.date) throw new Problem('not-found', 'No date is kept for this job: name one at its proof.')
  setResponseHeader(event, 'Content-Type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(job.vehicle)}-check.ics"`)
  return checkCalendar(id, job, check, job.usage.unit)
})

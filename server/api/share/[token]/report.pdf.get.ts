import { openShare } from '../../../store/shares'
import { named, route } from '../../../utils/route'
import { sendReport } from '../../../pdf/sendReport'

export default route(async (event) => {
  const { jobId, report, map } = await openShare(named(event, 'token'))
  return sendReport(event, jobId, { report, map })
})

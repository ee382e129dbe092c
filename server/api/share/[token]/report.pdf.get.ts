import { getRouterParam } from 'h3'
import { openShare } from '../../../store/shares'
import { route } from '../../../utils/route'
import { sendReport } from '../../../pdf/sendReport'

export default route(async (event) => {
  const { jobId, report, map } = await openShare(getRouterParam(event, 'token')!)
  return sendReport(event, jobId, { report, map })
})

import { openShare } from '../../../store/shares'
import { readParam, route } from '../../../utils/route'
import { sendReport } from '../../../pdf/sendReport'

export default route(async (event) => {
  const { jobId, report, map } = await openShare(readParam(event, 'token'))
  return sendReport(event, jobId, { report, map })
})

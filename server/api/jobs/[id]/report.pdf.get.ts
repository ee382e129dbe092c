import { jobReport } from '../../../store/reports'
import { readParam, route } from '../../../utils/route'
import { readerAsked, sendReport } from '../../../pdf/sendReport'

export default route(async (event) => {
  const id = readParam(event, 'id')
  return sendReport(event, id, await jobReport(id, readerAsked(event)))
})

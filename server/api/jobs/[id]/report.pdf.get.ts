import { getRouterParam } from 'h3'
import { jobReport } from '../../../store/reports'
import { route } from '../../../utils/route'
import { sendReport } from '../../../pdf/sendReport'

export default route(async (event) => {
  const id = getRouterParam(event, 'id')!
  return sendReport(event, id, await jobReport(id))
})

import { jobReport } from '../../../store/reports'
import { named, route } from '../../../utils/route'
import { sendReport } from '../../../pdf/sendReport'

export default route(async (event) => {
  const id = named(event, 'id')
  return sendReport(event, id, await jobReport(id))
})

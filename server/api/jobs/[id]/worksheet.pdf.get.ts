import { jobAddress } from '../../../access/site'
import { fileName } from '../../../pdf/fileName'
import { sendPaper } from '../../../pdf/sendReport'
import { jobPapers } from '../../../store/estimates'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const id = readParam(event, 'id')
  const { worksheet: paper, vehicle } = await jobPapers(id)
  const printed = { kind: 'wall' as const, paper, address: jobAddress(event, id), pages: 1 }
  return sendPaper(event, printed, `${fileName(vehicle)}-worksheet`)
})

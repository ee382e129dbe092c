import { fileName } from '../../../pdf/fileName'
import { sendPaper } from '../../../pdf/sendReport'
import { jobPapers } from '../../../store/estimates'
import { workshopLogo } from '../../../store/workshop'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const { paper, vehicle } = await jobPapers(readParam(event, 'id'), 'customer')
  return sendPaper(event, { kind: 'estimate', paper, logo: await workshopLogo() }, `${fileName(vehicle)}-estimate`)
})

import { jobPapers } from '../../../store/estimates'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const { paper, order } = await jobPapers(readParam(event, 'id'))
  return { paper, order }
})

import { getRouterParam, setResponseHeader } from 'h3'
import { openedJob } from '../../../store/jobs'
import { route } from '../../../utils/route'

export default route(async (event) => {
  const text = await openedJob(getRouterParam(event, 'id')!)
  setResponseHeader(event, 'Content-Type', 'application/json')
  return text
})

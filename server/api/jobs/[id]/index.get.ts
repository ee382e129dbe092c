import { setResponseHeader } from 'h3'
import { openedJob } from '../../../store/jobs'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const text = await openedJob(readParam(event, 'id'))
  setResponseHeader(event, 'Content-Type', 'application/json')
  return text
})

import { setResponseHeader } from 'h3'
import { openedJob } from '../../../store/jobs'
import { named, route } from '../../../utils/route'

export default route(async (event) => {
  const text = await openedJob(named(event, 'id'))
  setResponseHeader(event, 'Content-Type', 'application/json')
  return text
})

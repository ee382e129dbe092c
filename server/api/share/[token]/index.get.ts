import { setResponseHeader } from 'h3'
import { openShare } from '../../../store/shares'
import { readParam, route } from '../../../utils/route'

/** What a link shows, and nothing else of the workshop: no ids of job or share. */
export default route(async (event) => {
  const { report, map, expiresAt } = await openShare(readParam(event, 'token'))
  setResponseHeader(event, 'Cache-Control', 'no-store')
  return { report, map, expiresAt }
})

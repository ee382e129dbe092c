import { setResponseHeader } from 'h3'
import { callerOf, takeCookie } from '../../access/caller'
import { endSession } from '../../store/sessions'
import { route } from '../../utils/route'

/** Signs out: what the browser kept of answers goes with it. */
export default route(async (event) => {
  const { session } = await callerOf(event)
  if (session) await endSession(session)
  takeCookie(event, 'session')
  setResponseHeader(event, 'Clear-Site-Data', '"cache"')
  return { signedIn: false }
})

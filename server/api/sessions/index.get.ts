import { callerOf } from '../../access/caller'
import { listSessions } from '../../store/sessions'
import { route } from '../../utils/route'

export default route(async (event) => listSessions(await callerOf(event)))

import { callerOf } from '../../../access/caller'
import { endListed } from '../../../store/sessions'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  await endListed(await callerOf(event), readParam(event, 'id'))
  return { ended: true }
})

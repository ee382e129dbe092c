import { callerOf } from '../../../access/caller'
import { listPasskeys } from '../../../store/passkeys'
import { route } from '../../../utils/route'

export default route(async (event) => {
  const { person } = await callerOf(event)
  return person ? listPasskeys(person.id) : []
})

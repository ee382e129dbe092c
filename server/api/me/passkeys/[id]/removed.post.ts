import { signedInPerson } from '../../../../access/caller'
import { removePasskey } from '../../../../store/passkeys'
import { readParam, route } from '../../../../utils/route'

export default route(async (event) => {
  const { person } = await signedInPerson(event)
  return removePasskey(person.id, readParam(event, 'id'))
})

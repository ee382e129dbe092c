import { needed, sayOfCheck, shape, words } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { signedInPerson } from '../../../access/caller'
import { madeShape } from '../../../access/rules'
import { siteOf } from '../../../access/site'
import { addPasskey } from '../../../store/passkeys'
import { checkInput, readJson, route } from '../../../utils/route'

const schema = shape({ name: words(40, told('device-name')), made: madeShape.required(needed) }).required(
  sayOfCheck('object')
)

export default route(async (event) => {
  const { name, made } = checkInput(schema, await readJson(event, 24_576), told('passkey-not-known'))
  const { person } = await signedInPerson(event)
  return addPasskey(person, siteOf(event), made, name.trim())
})

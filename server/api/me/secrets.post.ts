import { needed, sayOfCheck, shape, text } from '../../../core/check'
import { told } from '../../../words/problems'
import { signedInPerson } from '../../access/caller'
import { passphrase, pin } from '../../access/rules'
import { changeOwnSecrets } from '../../store/people'
import { checkInput, readJson, route } from '../../utils/route'

const schema = shape({ current: text(200).required(needed), passphrase: passphrase(), pin: pin() }).required(
  sayOfCheck('object')
)

export default route(async (event) => {
  const secrets = checkInput(schema, await readJson(event), told('secrets-not-changed'))
  const { person } = await signedInPerson(event)
  await changeOwnSecrets(person, secrets)
  return { changed: true }
})

import { needed, sayOfCheck, shape, text } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { signedInPerson } from '../../../access/caller'
import { siteOf } from '../../../access/site'
import { askToAdd } from '../../../store/passkeys'
import { checkInput, readJson, route } from '../../../utils/route'

const schema = shape({ current: text(200).required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { current } = checkInput(schema, await readJson(event, 4096), told('wrong-passphrase'))
  const { caller, person } = await signedInPerson(event)
  return askToAdd(caller, person, current, siteOf(event))
})

import { sayOfCheck, shape, words } from '../../../core/check'
import { told } from '../../../words/problems'
import { callerOf } from '../../access/caller'
import { offerPairing } from '../../store/devices'
import { checkInput, readJson, route } from '../../utils/route'

const schema = shape({ name: words(40, told('device-name')) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { name } = checkInput(schema, await readJson(event), told('device-name'))
  const { person } = await callerOf(event)
  return offerPairing(name.trim(), person?.name ?? '')
})

import { sayOfCheck, shape } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { callerOf } from '../../../access/caller'
import { pin } from '../../../access/rules'
import { setPin } from '../../../store/people'
import { checkInput, readCount, readJson, route } from '../../../utils/route'

/** Without a PIN it is taken away. */
const schema = shape({ pin: pin() }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { pin: chosen } = checkInput(schema, await readJson(event, 4096), told('person-not-changed'))
  return setPin(await callerOf(event), readCount(event, 'id'), chosen ?? null)
})

import { needed, sayOfCheck, shape, text } from '../../../core/check'
import { told } from '../../../words/problems'
import { giveCookie } from '../../access/caller'
import { pairDevice } from '../../store/devices'
import { checkInput, readJson, route } from '../../utils/route'

const schema = shape({ code: text(40).required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { code } = checkInput(schema, await readJson(event, 4096), told('wrong-code'))
  const { token, name } = await pairDevice(code, event.node.req.socket.remoteAddress ?? '')
  giveCookie(event, 'device', token)
  return { name }
})

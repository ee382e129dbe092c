import { removeDevice } from '../../../store/devices'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  await removeDevice(readParam(event, 'id'))
  return { removed: true }
})

import { listDevices } from '../../store/devices'
import { route } from '../../utils/route'

export default route(async () => listDevices())

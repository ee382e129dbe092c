import { listErasures } from '../../erasing/erase'
import { route } from '../../utils/route'

export default route(() => listErasures())

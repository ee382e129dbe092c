import { listIntakes } from '../../store/intakes'
import { route } from '../../utils/route'

export default route(() => listIntakes())

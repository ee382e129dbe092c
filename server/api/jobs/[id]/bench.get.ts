import { openPart } from '../../../store/benches'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => openPart(readParam(event, 'id')))

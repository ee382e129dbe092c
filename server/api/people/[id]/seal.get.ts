import { sealOf } from '../../../store/people'
import { readCount, route } from '../../../utils/route'

export default route(async (event) => sealOf(readCount(event, 'id')))

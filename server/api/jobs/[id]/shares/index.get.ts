import { listShares } from '../../../../store/shares'
import { readParam, route } from '../../../../utils/route'

export default route(async (event) => listShares(readParam(event, 'id')))

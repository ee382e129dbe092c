import { getRouterParam } from 'h3'
import { listShares } from '../../../../store/shares'
import { route } from '../../../../utils/route'

export default route(async (event) => listShares(getRouterParam(event, 'id')!))

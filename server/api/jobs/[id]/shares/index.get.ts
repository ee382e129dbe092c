import { listShares } from '../../../../store/shares'
import { named, route } from '../../../../utils/route'

export default route(async (event) => listShares(named(event, 'id')))

import { getRouterParam } from 'h3'
import { revokeShare } from '../../../../../store/shares'
import { route } from '../../../../../utils/route'

export default route(async (event) => {
  await revokeShare(getRouterParam(event, 'id')!, getRouterParam(event, 'share')!)
  return { revoked: true }
})

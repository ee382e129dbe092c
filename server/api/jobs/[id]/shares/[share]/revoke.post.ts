import { revokeShare } from '../../../../../store/shares'
import { named, route } from '../../../../../utils/route'

export default route(async (event) => {
  await revokeShare(named(event, 'id'), named(event, 'share'))
  return { revoked: true }
})

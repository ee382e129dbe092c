import { revokeShare } from '../../../../../store/shares'
import { readParam, route } from '../../../../../utils/route'

export default route(async (event) => {
  await revokeShare(readParam(event, 'id'), readParam(event, 'share'))
  return { revoked: true }
})

import { Problem } from '../utils/problem'
import { route } from '../utils/route'

export default route(async () => {
  throw new Problem('not-found', 'There is nothing at this address.')
})

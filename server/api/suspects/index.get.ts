import { ownSuspects } from '../../store/suspects'
import { route } from '../../utils/route'

export default route(async () => ownSuspects())

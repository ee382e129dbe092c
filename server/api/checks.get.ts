import { checksDue } from '../store/checks'
import { route } from '../utils/route'

/** Days ahead that the board looks. */
const AHEAD = 30

export default route(async () => checksDue(new Date(Date.now() + AHEAD * 86_400_000).toISOString().slice(0, 10)))

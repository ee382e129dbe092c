import { daysOn } from '../../core/math'
import { checksDue } from '../store/checks'
import { route } from '../utils/route'

/** Days ahead that the board looks. */
const AHEAD = 30

export default route(async () => checksDue(daysOn(new Date(), AHEAD)))

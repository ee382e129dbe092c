import { addAct } from '../../../store/acts'
import { readParam, readJson, route } from '../../../utils/route'

/** An act may bring a whole drive sheet. */
const LIMIT = 512 * 1024

export default route(async (event) => addAct(readParam(event, 'id'), await readJson(event, LIMIT)))

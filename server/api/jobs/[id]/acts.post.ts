import { getRouterParam } from 'h3'
import { addAct } from '../../../store/jobs'
import { readJson, route } from '../../../utils/route'

/** An act may bring a whole drive sheet. */
const LIMIT = 512 * 1024

export default route(async (event) => addAct(getRouterParam(event, 'id')!, await readJson(event, LIMIT)))

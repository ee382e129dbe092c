import { getRouterParam } from 'h3'
import { addAct } from '../../../store/jobs'
import { readJson, route } from '../../../utils/route'

export default route(async (event) => addAct(getRouterParam(event, 'id')!, await readJson(event)))

import { getQuery } from 'h3'
import { keepCase } from '../../../store/practice'
import { readJson, route } from '../../../utils/route'

/** Greatest case file taken in: a drive sheet and its truth. */
const LIMIT = 1024 * 1024

export default route(async (event) => keepCase(await readJson(event, LIMIT), String(getQuery(event).by ?? '').slice(0, 80) || 'import'))

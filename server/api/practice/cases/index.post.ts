import { getQuery } from 'h3'
import { shape, text } from '../../../../core/check'
import { keepCase } from '../../../store/practice'
import { checked, readJson, route } from '../../../utils/route'

/** Greatest case file taken in: a drive sheet and its truth. */
const LIMIT = 1024 * 1024

const schema = shape({ by: text(80) }).required('expected a question')

export default route(async (event) => {
  const { by } = checked(schema, getQuery(event), 'Say who brings it in, in at most 80 characters.')
  return keepCase(await readJson(event, LIMIT), by?.trim() || 'import')
})

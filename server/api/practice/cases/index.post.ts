import { told } from '../../../../words/problems'
import { getQuery } from 'h3'
import { sayOfCheck, shape, text } from '../../../../core/check'
import { broughtBy } from '../../../access/author'
import { keepCase } from '../../../store/practice'
import { checkInput, readJson, route } from '../../../utils/route'

/** Greatest case file taken in: a drive sheet and its truth. */
const LIMIT = 1024 * 1024

const schema = shape({ by: text(80) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by } = checkInput(schema, getQuery(event), told('who-brings-it'))
  return keepCase(await readJson(event, LIMIT), await broughtBy(event, by))
})

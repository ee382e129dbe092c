import { getQuery } from 'h3'
import { sayOfCheck, shape, text } from '../../../core/check'
import { told } from '../../../words/problems'
import { broughtBy } from '../../access/author'
import { takeLearnt } from '../../store/learntFiles'
import { checkInput, readJson, route } from '../../utils/route'

/** Greatest file of learnt figures taken in. */
const LIMIT = 1024 * 1024

const schema = shape({ by: text(80) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by } = checkInput(schema, getQuery(event), told('who-brings-it'))
  return takeLearnt(await readJson(event, LIMIT), await broughtBy(event, by))
})

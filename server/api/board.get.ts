import { told } from '../../words/problems'
import { getQuery } from 'h3'
import { oneOf, pageAsked, sayOfCheck, shape, text } from '../../core/check'
import { boardText } from '../store/board'
import { asJson, checkInput, route } from '../utils/route'

const schema = shape({
  state: oneOf('open', 'closed', 'archived', 'deleted'),
  search: text(200),
  page: pageAsked()
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const { state = 'open', search = '', page = '0' } = checkInput(schema, getQuery(event), told('board-not-asked'))
  return asJson(event, await boardText({ state, search, page: Number(page) }))
})

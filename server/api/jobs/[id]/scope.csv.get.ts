import { setResponseHeader } from 'h3'
import { heavily } from '../../../heavy/heavily'
import { isRebuilt } from '../../../utils/isRebuilt'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const { text } = await heavily('asked', 'textOf', readParam(event, 'id'), isRebuilt(event) ? 'scopeRebuilt' : 'scope')
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  return text
})

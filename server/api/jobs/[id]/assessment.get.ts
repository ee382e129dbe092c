import { heavily } from '../../../heavy/heavily'
import { asJson, readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const { text } = await heavily('asked', 'textOf', readParam(event, 'id'), 'assessment')
  return asJson(event, text)
})

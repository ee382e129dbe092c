import { setResponseHeader } from 'h3'
import { heavily } from '../../../heavy/heavily'
import { isRebuilt } from '../../../utils/isRebuilt'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const { text } = await heavily('asked', 'textOf', readParam(event, 'id'), isRebuilt(event) ? 'soundRebuilt' : 'sound')
  setResponseHeader(event, 'Content-Type', 'audio/wav')
  return Buffer.from(text, 'base64')
})

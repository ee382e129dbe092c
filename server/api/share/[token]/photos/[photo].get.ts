import { getQuery, setResponseHeader } from 'h3'
import { sharedPhoto } from '../../../../store/shares'
import { readParam, route } from '../../../../utils/route'

export default route(async (event) => {
  const bytes = await sharedPhoto(
    readParam(event, 'token'),
    readParam(event, 'photo'),
    getQuery(event).size === 'thumb' ? 'thumb' : 'body'
  )
  setResponseHeader(event, 'Content-Type', 'image/jpeg')
  setResponseHeader(event, 'Cache-Control', 'private, no-store')
  return bytes
})

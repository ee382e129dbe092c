import { getQuery, setResponseHeader } from 'h3'
import { photoBytes } from '../../store/photos'
import { readParam, route } from '../../utils/route'

/** A kept photo, or with `?size=thumb` its thumbnail. A photo never changes. */
export default route(async (event) => {
  const bytes = await photoBytes(readParam(event, 'id'), getQuery(event).size === 'thumb' ? 'thumb' : 'body')
  setResponseHeader(event, 'Content-Type', 'image/jpeg')
  setResponseHeader(event, 'Cache-Control', 'private, max-age=31536000, immutable')
  return bytes
})

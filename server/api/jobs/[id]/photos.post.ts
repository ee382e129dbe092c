import { getQuery } from 'h3'
import { addPhoto } from '../../../store/photos'
import { readParam, readBytes, route } from '../../../utils/route'

/** Greatest picture taken in: a phone's come to 12 MB. */
const LIMIT = 16 * 1024 * 1024

export default route(async (event) => {
  const { id } = getQuery(event)
  return addPhoto(readParam(event, 'id'), await readBytes(event, LIMIT), id === undefined ? undefined : String(id))
})

import { setResponseHeader } from 'h3'
import { takeFrontPhoto } from '../../../store/camera'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const photo = await takeFrontPhoto(readParam(event, 'id'))
  setResponseHeader(event, 'Content-Type', 'image/jpeg')
  return photo
})

import { getQuery, setResponseHeader } from 'h3'
import { id, needed, shape } from '../../../../core/check'
import { takePracticePhoto } from '../../../store/camera'
import { told } from '../../../../words/problems'
import { checkInput, readParam, route } from '../../../utils/route'

/** No part: the open front. */
const schema = shape({ part: id() }).required(needed)

export default route(async (event) => {
  const { part } = checkInput(schema, getQuery(event), told('camera-of-which-part'))
  const photo = await takePracticePhoto(readParam(event, 'id'), part)
  setResponseHeader(event, 'Content-Type', 'image/jpeg')
  return photo
})

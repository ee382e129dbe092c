import { getQuery, setResponseHeader } from 'h3'
import { flag, needed, sayOfCheck, shape, whole, word } from '../../../../../core/check'
import { takeSightPhoto } from '../../../../store/camera'
import { told } from '../../../../../words/problems'
import { checkInput, readParam, route } from '../../../../utils/route'

/** Which look at which inspection, and how the crank was turned before it. */
const schema = shape({
  inspection: word(140).required(needed),
  attempt: whole(0, 1000).required(needed),
  turnedForward: flag().required(needed)
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const { inspection, ...asked } = getQuery(event)
  const looked = checkInput(
    schema,
    { inspection, attempt: Number(asked.attempt), turnedForward: asked.turnedForward === 'true' },
    told('photo-of-which-look')
  )
  const photo = await takeSightPhoto(readParam(event, 'key'), looked.inspection, looked)
  setResponseHeader(event, 'Content-Type', 'image/jpeg')
  return photo
})

import { setResponseHeader } from 'h3'
import { told } from '../../../../words/problems'
import { workshopLogo } from '../../../store/workshop'
import { Problem } from '../../../utils/problem'
import { route } from '../../../utils/route'

export default route(async (event) => {
  const logo = await workshopLogo()
  if (!logo) throw new Problem('not-found', told('nothing-here'))
  setResponseHeader(event, 'Content-Type', 'image/png')
  setResponseHeader(event, 'Cache-Control', 'private, max-age=0, must-revalidate')
  return logo
})

import { setHeader } from 'h3'
import { exportLearnt } from '../../store/learntFiles'
import { route } from '../../utils/route'

export default route(async (event) => {
  const file = await exportLearnt()
  setHeader(event, 'Content-Disposition', 'attachment; filename="umbrette-learnt.json"')
  return file
})

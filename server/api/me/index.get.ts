import { setResponseHeader } from 'h3'
import { callerOf } from '../../access/caller'
import { whoAsks } from '../../store/sessions'
import { workshopFacts } from '../../store/workshop'
import { route } from '../../utils/route'

export default route(async (event) => {
  setResponseHeader(event, 'Cache-Control', 'no-store')
  return whoAsks(await callerOf(event), (await workshopFacts()).name)
})

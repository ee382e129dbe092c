import { told } from '../../../words/problems'
import { type OwnSuspects, ownSuspectsSchema } from '../../../core/views/suspects'
import { keepOwnSuspects } from '../../store/suspects'
import { checkInput, readJson, route } from '../../utils/route'

export default route(async (event) => {
  const own = checkInput(ownSuspectsSchema, await readJson(event), told('no-suspects')) as OwnSuspects
  await keepOwnSuspects(own)
  return own
})

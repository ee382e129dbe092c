import { object } from 'yup'
import { told } from '../../../words/problems'
import { type OwnSuspects, ownSuspectsSchema } from '../../../core/views/suspects'
import { keepOwnSuspects } from '../../store/suspects'
import { checkInput, readJson, route } from '../../utils/route'

/** The table as it shall be, and as whoever changes it had it. */
const changeSchema = object({ own: ownSuspectsSchema, seen: ownSuspectsSchema })

export default route(async (event) => {
  const input = checkInput(changeSchema, await readJson(event), told('no-suspects'))
  const own = input.own as OwnSuspects
  await keepOwnSuspects(own, input.seen as OwnSuspects)
  return own
})

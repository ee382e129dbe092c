import { told } from '../../words/problems'
import { Problem } from '../utils/problem'
import { route } from '../utils/route'

export default route(async () => {
  throw new Problem('not-found', told('nothing-here'))
})

import { flag, needed, sayOfCheck, shape } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { setLearntOut } from '../../../store/learntFiles'
import { checkInput, readJson, readParam, route } from '../../../utils/route'

const schema = shape({ out: flag().required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { out } = checkInput(schema, await readJson(event), told('learnt-out-or-not'))
  return setLearntOut(readParam(event, 'from'), out)
})

import { told } from '../../../../../words/problems'
import { flag, needed, sayOfCheck, shape } from '../../../../../core/check'
import { removeCase } from '../../../../store/practice'
import { checkInput, readParam, readJson, route } from '../../../../utils/route'

const schema = shape({ removed: flag().required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { removed } = checkInput(schema, await readJson(event), told('case-removed-or-not'))
  await removeCase(readParam(event, 'key'), removed)
  return { removed }
})

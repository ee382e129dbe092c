import { told } from '../../../../words/problems'
import { flag, needed, sayOfCheck, shape } from '../../../../core/check'
import { removeSheet } from '../../../store/sheets'
import { checkInput, readParam, readJson, route } from '../../../utils/route'

const schema = shape({ removed: flag().required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { removed } = checkInput(schema, await readJson(event), told('sheet-removed-or-not'))
  await removeSheet(readParam(event, 'id'), removed)
  return { removed }
})

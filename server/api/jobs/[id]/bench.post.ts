import { id, needed, sayOfCheck, shape } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { noteOpenPart } from '../../../store/benches'
import { checkInput, readJson, readParam, route } from '../../../utils/route'

const schema = shape({ part: id().required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { part } = checkInput(schema, await readJson(event, 4096), told('open-part'))
  return noteOpenPart(readParam(event, 'id'), part)
})

import { flag, needed, sayOfCheck, shape } from '../../../../../../core/check'
import { told } from '../../../../../../words/problems'
import { findVehicle } from '../../../../../store/vehicles'
import { removePastJob } from '../../../../../store/past'
import { checkInput, readJson, readParam, route } from '../../../../../utils/route'

const schema = shape({ removed: flag().required(needed) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { removed } = checkInput(schema, await readJson(event), told('past-job-incomplete'))
  const id = readParam(event, 'id')
  await removePastJob(id, readParam(event, 'past'), removed)
  return findVehicle(id)
})

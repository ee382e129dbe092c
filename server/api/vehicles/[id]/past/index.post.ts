import { sayOfCheck, words } from '../../../../../core/check'
import { pastJobSchema } from '../../../../../core/record'
import { told } from '../../../../../words/problems'
import { signedBy } from '../../../../access/author'
import { keepPastJob } from '../../../../store/vehicles'
import { checkInput, readJson, readParam, route } from '../../../../utils/route'

const schema = pastJobSchema.shape({ by: words(80, told('who')) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by, usage, elongation, ...facts } = checkInput(schema, await readJson(event), told('past-job-incomplete'))
  return keepPastJob(
    readParam(event, 'id'),
    { ...facts, usage: usage ?? null, elongation: elongation ?? null },
    await signedBy(event, by)
  )
})

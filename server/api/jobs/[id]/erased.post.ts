import { sayOfCheck, shape, words } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { signedBy } from '../../../access/author'
import { eraseJob } from '../../../erasing/erase'
import { checkInput, readJson, readParam, route } from '../../../utils/route'

const schema = shape({ by: words(80) }).required(sayOfCheck('object'))

/** Erases a deleted job for good. */
export default route(async (event) => {
  const { by } = checkInput(schema, await readJson(event), told('erasing-not-asked'))
  return eraseJob(readParam(event, 'id'), await signedBy(event, by))
})

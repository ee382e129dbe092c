import { listOf, needed, sayOfCheck, shape, text, words } from '../../../../core/check'
import { told } from '../../../../words/problems'
import { signedBy } from '../../../access/author'
import { eraseCustomer } from '../../../erasing/erase'
import { checkInput, readJson, readParam, route } from '../../../utils/route'

/** `name`: the customer's, typed once more; `left`: mentions elsewhere that stay. */
const schema = shape({
  by: words(80),
  name: text(120).required(needed),
  left: listOf(text(200).required(needed), 5000).required(needed)
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const { by, name, left } = checkInput(schema, await readJson(event, 2_000_000), told('erasing-not-asked'))
  return eraseCustomer(readParam(event, 'id'), name, { by: await signedBy(event, by), left })
})

import { told } from '../../../words/problems'
import { sayOfCheck, shape, words } from '../../../core/check'
import { addPerson } from '../../store/people'
import { checkInput, readJson, route } from '../../utils/route'

const schema = shape({ name: words(40, told('first-name')) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { name } = checkInput(schema, await readJson(event), told('write-first-name'))
  return addPerson(name.trim())
})

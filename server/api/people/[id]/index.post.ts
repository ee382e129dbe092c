import { flag, oneOf, sayOfCheck, shape, text } from '../../../../core/check'
import { ROLES } from '../../../../core/record'
import { told } from '../../../../words/problems'
import { passphrase } from '../../../access/rules'
import { changePerson } from '../../../store/people'
import { checkInput, readCount, readJson, route } from '../../../utils/route'

const schema = shape({
  name: text(40).test('words', told('first-name'), (name) => name === undefined || name.trim() !== ''),
  role: oneOf(...ROLES),
  retired: flag(),
  passphrase: passphrase()
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const { name, ...change } = checkInput(schema, await readJson(event, 4096), told('person-not-changed'))
  return changePerson(readCount(event, 'id'), { ...change, ...(name === undefined ? {} : { name: name.trim() }) })
})

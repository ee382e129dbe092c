import { shape, words } from '../../core/check'
import { addPerson } from '../store/people'
import { checked, readJson, route } from '../utils/route'

const schema = shape({ name: words(40, 'write a first name') }).required('expected an object')

export default route(async (event) => {
  const { name } = checked(schema, await readJson(event), 'Write a first name of at most 40 characters.')
  return addPerson(name.trim())
})

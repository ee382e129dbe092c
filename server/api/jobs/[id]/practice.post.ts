import { shape, text, words } from '../../../../core/check'
import { keepJobAsCase } from '../../../store/practice'
import { checked, named, readJson, route } from '../../../utils/route'

const schema = shape({ title: words(120, 'give the case a title'), complaint: text(4000), by: words(80, 'say who tells it') }).required('expected an object')

export default route(async (event) => {
  const { title, complaint = '', by } = checked(schema, await readJson(event), 'The job was not told as a case.')
  return keepJobAsCase(named(event, 'id'), { title, complaint }, by)
})

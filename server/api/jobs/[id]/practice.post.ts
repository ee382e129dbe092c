import { told } from '../../../../words/problems'
import { sayOfCheck, shape, text, words } from '../../../../core/check'
import { signedBy } from '../../../access/author'
import { keepJobAsCase } from '../../../store/practice'
import { checkInput, readParam, readJson, route } from '../../../utils/route'

const schema = shape({
  title: words(120, told('case-title')),
  complaint: text(4000),
  by: words(80, told('who-tells'))
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const { title, complaint = '', by } = checkInput(schema, await readJson(event), told('not-told-as-case'))
  return keepJobAsCase(readParam(event, 'id'), { title, complaint }, await signedBy(event, by))
})

import { told } from '../../../words/problems'
import { mixed } from 'yup'
import { needed, sayOfCheck, shape, text, whole, words } from '../../../core/check'
import { signedBy } from '../../access/author'
import { saveSheet } from '../../store/sheets'
import { checkInput, readJson, route } from '../../utils/route'

/** Greatest drive sheet taken in. */
const LIMIT = 512 * 1024

const schema = shape({
  sheet: mixed().required(needed),
  basedOn: whole(0, 1e6).required(needed),
  by: words(80, told('who')),
  note: text(400)
}).required(sayOfCheck('object'))

export default route(async (event) => {
  const { sheet, basedOn, by, note = '' } = checkInput(schema, await readJson(event, LIMIT), told('sheet-not-kept'))
  return saveSheet(sheet, { basedOn, by: await signedBy(event, by), note })
})

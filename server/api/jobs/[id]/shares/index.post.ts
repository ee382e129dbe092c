import { told } from '../../../../../words/problems'
import { needed, sayOfCheck, shape, whole, words } from '../../../../../core/check'
import { signedBy } from '../../../../access/author'
import { createShare } from '../../../../store/shares'
import { checkInput, readParam, readJson, route } from '../../../../utils/route'

const schema = shape({ by: words(80, told('who')), days: whole(1, 365).required(needed) }).required(
  sayOfCheck('object')
)

export default route(async (event) => {
  const { by, days } = checkInput(schema, await readJson(event), told('who-shares'))
  return createShare(readParam(event, 'id'), await signedBy(event, by), days)
})

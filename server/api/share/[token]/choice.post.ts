import { told } from '../../../../words/problems'
import { needed, sayOfCheck, shape, whole, words } from '../../../../core/check'
import { choose } from '../../../store/shares'
import { checkInput, readParam, readJson, route } from '../../../utils/route'

const schema = shape({ path: whole(0, 100).required(needed), name: words(80, told('your-name')) }).required(
  sayOfCheck('object')
)

export default route(async (event) => {
  const { path, name } = checkInput(schema, await readJson(event), told('choose-way-and-name'))
  await choose(readParam(event, 'token'), path, name.trim())
  return { chosen: path }
})

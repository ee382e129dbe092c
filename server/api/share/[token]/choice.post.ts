import { told } from '../../../../words/problems'
import { needed, sayOfCheck, shape, whole, words } from '../../../../core/check'
import { choose } from '../../../store/shares'
import { checked, named, readJson, route } from '../../../utils/route'

const schema = shape({ path: whole(0, 100).required(needed), name: words(80, told('your-name')) }).required(sayOfCheck('object'))

export default route(async (event) => {
  const { path, name } = checked(schema, await readJson(event), told('choose-way-and-name'))
  await choose(named(event, 'token'), path, name.trim())
  return { chosen: path }
})

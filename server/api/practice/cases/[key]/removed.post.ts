import { flag, needed, shape } from '../../../../../core/check'
import { removeCase } from '../../../../store/practice'
import { checked, named, readJson, route } from '../../../../utils/route'

const schema = shape({ removed: flag().required(needed) }).required('expected an object')

export default route(async (event) => {
  const { removed } = checked(schema, await readJson(event), 'Say whether the case is removed.')
  await removeCase(named(event, 'key'), removed)
  return { removed }
})

import { flag, needed, shape } from '../../../../core/check'
import { removeSheet } from '../../../store/sheets'
import { checked, named, readJson, route } from '../../../utils/route'

const schema = shape({ removed: flag().required(needed) }).required('expected an object')

export default route(async (event) => {
  const { removed } = checked(schema, await readJson(event), 'Say whether the sheet is removed.')
  await removeSheet(named(event, 'id'), removed)
  return { removed }
})

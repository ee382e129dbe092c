import { needed, shape, whole, words } from '../../../../../core/check'
import { createShare } from '../../../../store/shares'
import { checked, named, readJson, route } from '../../../../utils/route'

const schema = shape({ by: words(80, 'choose who is at the bench'), days: whole(1, 365).required(needed) }).required('expected an object')

export default route(async (event) => {
  const { by, days } = checked(schema, await readJson(event), 'Say who shares it and for how many days, up to a year.')
  return createShare(named(event, 'id'), by, days)
})

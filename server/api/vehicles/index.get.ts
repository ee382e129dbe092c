import { getQuery } from 'h3'
import { pageAsked, shape, text } from '../../../core/check'
import { listVehicles } from '../../store/vehicles'
import { checked, route } from '../../utils/route'

const schema = shape({ search: text(200), page: pageAsked() }).required('expected a question')

export default route(async (event) => {
  const { search = '', page = '0' } = checked(schema, getQuery(event), 'Vehicles cannot be asked for that.')
  return listVehicles({ search, page: Number(page) })
})

import { shape, text, words } from '../../../core/check'
import { changeVehicle } from '../../store/vehicles'
import { checked, named, readJson, route } from '../../utils/route'

const schema = shape({ name: words(120, 'name the vehicle'), note: text(2000) }).required('expected an object')

export default route(async (event) => {
  const { name, note = '' } = checked(schema, await readJson(event), 'Name the vehicle.')
  await changeVehicle(named(event, 'id'), { name, note })
  return { name: name.trim(), note }
})

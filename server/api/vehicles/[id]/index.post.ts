import { changeVehicle, findVehicle } from '../../../store/vehicles'
import { readJson, readParam, route } from '../../../utils/route'
import { checkVehicle } from '../../../utils/vehicle'

export default route(async (event) => {
  const id = readParam(event, 'id')
  await changeVehicle(id, checkVehicle(await readJson(event)))
  return findVehicle(id)
})

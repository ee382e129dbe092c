import { addVehicle } from '../../store/vehicles'
import { readJson, route } from '../../utils/route'
import { checkVehicle } from '../../utils/vehicle'

export default route(async (event) => ({ id: await addVehicle(checkVehicle(await readJson(event))) }))

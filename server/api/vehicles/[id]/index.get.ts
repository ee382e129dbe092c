import { findVehicle } from '../../../store/vehicles'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => findVehicle(readParam(event, 'id')))

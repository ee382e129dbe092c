import { findVehicle } from '../../store/vehicles'
import { named, route } from '../../utils/route'

export default route(async (event) => findVehicle(named(event, 'id')))

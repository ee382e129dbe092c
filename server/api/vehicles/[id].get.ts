import { getRouterParam } from 'h3'
import { findVehicle } from '../../store/vehicles'
import { route } from '../../utils/route'

export default route(async (event) => findVehicle(getRouterParam(event, 'id')!))

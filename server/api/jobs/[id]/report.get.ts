import { getRouterParam } from 'h3'
import { jobReport } from '../../../store/reports'
import { route } from '../../../utils/route'

export default route(async (event) => jobReport(getRouterParam(event, 'id')!))

import { jobReport } from '../../../store/reports'
import { named, route } from '../../../utils/route'

export default route(async (event) => jobReport(named(event, 'id')))

import { readerAsked } from '../../../pdf/sendReport'
import { jobReport } from '../../../store/reports'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => jobReport(readParam(event, 'id'), readerAsked(event)))

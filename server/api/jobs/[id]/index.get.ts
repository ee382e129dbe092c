import { openedJob } from '../../../store/jobs'
import { asJson, readParam, route } from '../../../utils/route'

export default route(async (event) => asJson(event, await openedJob(readParam(event, 'id'))))

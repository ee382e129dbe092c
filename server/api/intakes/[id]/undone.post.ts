import { undoIntake } from '../../../store/intakes'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => undoIntake(readParam(event, 'id')))

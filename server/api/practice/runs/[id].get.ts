import { practiceRun } from '../../../store/practice'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => practiceRun(readParam(event, 'id')))

import { practiceRun } from '../../../store/practice'
import { named, route } from '../../../utils/route'

export default route(async (event) => practiceRun(named(event, 'id')))

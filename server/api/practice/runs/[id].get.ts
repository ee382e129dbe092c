import { getRouterParam } from 'h3'
import { practiceRun } from '../../../store/practice'
import { route } from '../../../utils/route'

export default route(async (event) => practiceRun(getRouterParam(event, 'id')!))

import { getRouterParam } from 'h3'
import { practiceCase } from '../../../../store/practice'
import { route } from '../../../../utils/route'

export default route(async (event) => practiceCase(getRouterParam(event, 'key')!))

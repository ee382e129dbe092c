import { practiceCase } from '../../../../store/practice'
import { readParam, route } from '../../../../utils/route'

export default route(async (event) => practiceCase(readParam(event, 'key')))

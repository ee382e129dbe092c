import { practiceCase } from '../../../../store/practice'
import { named, route } from '../../../../utils/route'

export default route(async (event) => practiceCase(named(event, 'key')))

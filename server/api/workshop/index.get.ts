import { workshopFacts } from '../../store/workshop'
import { route } from '../../utils/route'

export default route(async () => workshopFacts())

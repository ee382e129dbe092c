import { workshopLearnt } from '../store/learning'
import { route } from '../utils/route'

export default route(async () => workshopLearnt())

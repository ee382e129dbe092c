import { listStaff } from '../store/people'
import { route } from '../utils/route'

export default route(async () => listStaff())

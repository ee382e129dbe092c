import { boardRows } from '../store/board'
import { route } from '../utils/route'

export default route(async () => boardRows())

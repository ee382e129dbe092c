import { listSheets } from '../store/sheets'
import { route } from '../utils/route'

export default route(async () => listSheets())

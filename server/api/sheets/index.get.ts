import { getQuery } from 'h3'
import { listSheets } from '../../store/sheets'
import { route } from '../../utils/route'

export default route(async (event) => listSheets(getQuery(event).removed === 'true'))

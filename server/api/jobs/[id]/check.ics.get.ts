import { setResponseHeader } from 'h3'
import { heavily } from '../../../heavy/heavily'
import { fileName } from '../../../pdf/fileName'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const { text, vehicle } = await heavily('asked', 'textOf', readParam(event, 'id'), 'calendar')
  setResponseHeader(event, 'Content-Type', 'text/calendar; charset=utf-8')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(vehicle)}-check.ics"`)
  return text
})

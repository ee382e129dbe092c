import { setResponseHeader } from 'h3'
import { orderCsv } from '../../../csv/estimateCsv'
import { fileName } from '../../../pdf/fileName'
import { jobPapers } from '../../../store/estimates'
import { readParam, route } from '../../../utils/route'

export default route(async (event) => {
  const { estimate, orderLines, vehicle } = await jobPapers(readParam(event, 'id'))
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(vehicle)}-order.csv"`)
  return orderCsv(orderLines, estimate.currency)
})

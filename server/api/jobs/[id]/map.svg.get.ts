import { told } from '../../../../words/problems'
import { setResponseHeader } from 'h3'
import { svgOf } from '../../../../draw/shapes'
import { jobReport } from '../../../store/reports'
import { Problem } from '../../../utils/problem'
import { readParam, route } from '../../../utils/route'
import { fileName } from '../../../pdf/fileName'

/** Scribed on marking blue, as on the bench. */
const INKS = { ground: '#0b2a4a', line: '#e9eef5', faint: '#7f97b3', lit: '#e0a93b', limit: '#f07ac0' } as const

export default route(async (event) => {
  const { report, found } = await jobReport(readParam(event, 'id'), 'us')
  if (!found) throw new Problem('not-found', told('sheet-not-drawn'))
  setResponseHeader(event, 'Content-Type', 'image/svg+xml')
  setResponseHeader(event, 'Content-Disposition', `attachment; filename="${fileName(report.vehicle)}-map.svg"`)
  return svgOf(found, INKS, `${report.vehicle}, ${report.engine}`)
})

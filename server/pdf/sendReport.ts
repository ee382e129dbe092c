import { told } from '../../words/problems'
import { getQuery, setResponseHeader, type H3Event } from 'h3'
import { oneOf, sayOfCheck, shape } from '../../core/check'
import { heavily } from '../heavy/heavily'
import type { DrawnReport } from '../store/reports'
import { checkInput } from '../utils/route'
import { useFaces } from './faces'
import { fileName } from './fileName'

const schema = shape({ paper: oneOf('a4', 'letter') }).required(sayOfCheck('object'))

/** A report as PDF on the paper that is asked for, A4 else. */
export async function sendReport(event: H3Event, jobId: string, drawn: DrawnReport): Promise<Buffer> {
  const { paper = 'a4' } = checkInput(schema, getQuery(event), told('a4-or-letter'))
  const pdf = await heavily('long', 'printReport', jobId, drawn, paper, await useFaces())
  setResponseHeader(event, 'Content-Type', 'application/pdf')
  setResponseHeader(event, 'Content-Disposition', `inline; filename="${fileName(drawn.report.vehicle)}-report.pdf"`)
  return Buffer.from(pdf)
}

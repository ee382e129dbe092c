import { told } from '../../words/problems'
import { getQuery, setResponseHeader, type H3Event } from 'h3'
import { oneOf, sayOfCheck, shape } from '../../core/check'
import { heavily } from '../heavy/heavily'
import type { Reader } from '../store/estimates'
import type { DrawnReport } from '../store/reports'
import { checkInput } from '../utils/route'
import { useFaces } from './faces'
import { fileName } from './fileName'
import type { Printed } from './printPapers'

const schema = shape({ paper: oneOf('a4', 'letter'), reader: oneOf('customer', 'us') }).required(sayOfCheck('object'))

/** A paper of the workshop's as PDF, on what is asked for. */
export async function sendPaper(event: H3Event, printed: Printed, name: string): Promise<Buffer> {
  const { paper = 'a4' } = checkInput(schema, getQuery(event), told('a4-or-letter'))
  return sendPdf(event, await heavily('long', 'printPaper', printed, paper, await useFaces()), name)
}

/** Who a report is read by: the customer, unless the workshop asks for its own language. */
export function readerAsked(event: H3Event): Reader {
  return checkInput(schema, getQuery(event), told('a4-or-letter')).reader ?? 'customer'
}

/** A report as PDF on the paper that is asked for, A4 else. */
export async function sendReport(event: H3Event, jobId: string, drawn: DrawnReport): Promise<Buffer> {
  const { paper = 'a4' } = checkInput(schema, getQuery(event), told('a4-or-letter'))
  const pdf = await heavily('long', 'printReport', jobId, drawn, paper, await useFaces())
  return sendPdf(event, pdf, `${fileName(drawn.report.vehicle)}-report`)
}

/** A PDF, shown by the browser under a name. */
export function sendPdf(event: H3Event, pdf: Uint8Array, name: string): Buffer {
  setResponseHeader(event, 'Content-Type', 'application/pdf')
  setResponseHeader(event, 'Content-Disposition', `inline; filename="${name}.pdf"`)
  return Buffer.from(pdf)
}

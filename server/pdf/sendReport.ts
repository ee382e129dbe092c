import { getQuery, setResponseHeader, type H3Event } from 'h3'
import { oneOf, shape } from '../../core/check/rules'
import { reportPdf } from './reportPdf'
import { photosOf } from '../store/photos'
import type { DrawnReport } from '../store/reports'
import { checked } from '../utils/route'
import { useFaces } from './faces'

const schema = shape({ paper: oneOf('a4', 'letter') }).required('expected a question')

/** A report as PDF on the paper that is asked for, A4 else. */
export async function sendReport(event: H3Event, jobId: string, drawn: DrawnReport): Promise<Buffer> {
  const { paper = 'a4' } = checked(schema, getQuery(event), 'Ask for a4 or letter.')
  const wanted = new Set(drawn.report.photos.map(({ id }) => id))
  const photos = new Map((wanted.size > 0 ? await photosOf(jobId) : []).filter(({ id }) => wanted.has(id)).map(({ id, jpeg }) => [id, jpeg]))
  const pdf = await reportPdf(drawn, photos, paper, await useFaces())
  setResponseHeader(event, 'Content-Type', 'application/pdf')
  setResponseHeader(event, 'Content-Disposition', `inline; filename="${fileName(drawn.report.vehicle)}-report.pdf"`)
  return pdf
}

/** A name that any disk takes. */
export function fileName(words: string): string {
  return words.normalize('NFKD').replaceAll(/[^\w]+/g, '-').replaceAll(/^-|-$/g, '').toLowerCase().slice(0, 60) || 'job'
}

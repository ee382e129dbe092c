import { findPhotos } from '../store/photos'
import type { DrawnReport } from '../store/reports'
import { reportPdf } from './reportPdf'
import type { Faces, Paper } from './sheet'

/**
 * Pictures up to which they are printed as they are kept; more are printed as their thumbnails, or the file would be a
 * book.
 */
const LARGE = 60

/** A report as PDF. */
export async function printReport(jobId: string, drawn: DrawnReport, paper: Paper, faces: Faces): Promise<Uint8Array> {
  const ids = drawn.report.photos.map(({ id }) => id)
  const photos =
    ids.length > 0 ? await findPhotos(jobId, ids, ids.length > LARGE ? 'thumb' : 'body') : new Map<string, Buffer>()
  return reportPdf(drawn, photos, paper, { regular: Buffer.from(faces.regular), bold: Buffer.from(faces.bold) })
}

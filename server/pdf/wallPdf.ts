import { create } from 'qrcode'
import PDFDocument from 'pdfkit'
import type { LabelPaper, WallPaper } from '../../words/en'
import { type Faces, type Paper, PaperSheet } from './sheet'

/** Papers for the wall and the key: ticked by hand, opened by a phone's camera. */

/** A code that a camera reads, as an SVG path in modules, and how many it is wide. */
export function codePath(text: string): { path: string; size: number } {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules
  const dark = Array.from({ length: size * size }, (_, i) => i).filter((i) => data[i])
  return { size, path: dark.map((i) => `M${i % size} ${Math.floor(i / size)}h1v1h-1z`).join('') }
}

/** A worksheet on one page, or a build-up on two: as large as it fits. */
export async function wallPdf(
  { paper, address, pages }: { paper: WallPaper; address: string; pages: number },
  size: Paper,
  faces: Faces
): Promise<Buffer> {
  const sheet = new PaperSheet(size, faces, {
    title: paper.title,
    author: paper.author,
    at: new Date(paper.at),
    pageOf: paper.pageOf
  })
  sheet.code(codePath(address), paper.qrSays)
  sheet.title(paper.title)
  for (const line of paper.about) sheet.text(line, { size: 9, beside: true })
  sheet.text(paper.caution, { size: 7, beside: true })
  sheet.ticks(paper.groups, pages)
  return sheet.finish(paper.title)
}

/** Points: 62 × 29 mm, a common label. */
const LABEL = { width: 175.7, height: 82.2, margin: 7 }

/** A label: the code that opens the job, and whose it is. */
export async function labelPdf(
  { paper, address }: { paper: LabelPaper; address: string },
  { regular, bold }: Faces
): Promise<Buffer> {
  const { width, height, margin } = LABEL
  const doc = new PDFDocument({ size: [width, height], margin: 0, font: null as never, info: { Title: paper.vehicle } })
  doc.registerFont('regular', regular).registerFont('bold', bold)
  const { path, size } = codePath(address)
  const side = height - 2 * margin
  doc
    .save()
    .translate(margin, margin)
    .scale(side / size)
    .path(path)
    .fill('#000000')
    .restore()
  const left = 2 * margin + side
  const box = { width: width - left - margin, ellipsis: true, lineBreak: true }
  doc
    .font('bold')
    .fontSize(12)
    .text(paper.vehicle, left, margin, { ...box, height: 30 })
  doc.font('regular').fontSize(8)
  for (const line of paper.lines) doc.text(line, { ...box, height: 10 })
  const pieces: Buffer[] = []
  doc.on('data', (piece: Buffer) => pieces.push(piece))
  const done = new Promise<void>((resolve) => doc.on('end', resolve))
  doc.end()
  await done
  return Buffer.concat(pieces)
}

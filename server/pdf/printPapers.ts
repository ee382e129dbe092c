import type { EstimatePaper, LabelPaper, OrderPaper, WallPaper } from '../../words/en'
import { type Faces, type Paper, PaperSheet } from './sheet'
import { labelPdf, wallPdf } from './wallPdf'

/** A workshop's papers of a job, and its logo where it has one. */
export type Printed =
  | { kind: 'estimate'; paper: EstimatePaper; logo: Uint8Array | null }
  | { kind: 'order'; paper: OrderPaper; logo: Uint8Array | null }
  | { kind: 'wall'; paper: WallPaper; address: string; pages: number }
  | { kind: 'label'; paper: LabelPaper; address: string }

/** One of them as PDF. */
export async function printPaper(printed: Printed, size: Paper, { regular, bold }: Faces): Promise<Uint8Array> {
  const faces = { regular: Buffer.from(regular), bold: Buffer.from(bold) }
  if (printed.kind === 'wall') return wallPdf(printed, size, faces)
  if (printed.kind === 'label') return labelPdf(printed, faces)
  const { paper, logo } = printed
  const sheet = new PaperSheet(size, faces, {
    title: paper.title,
    author: paper.author,
    at: new Date(paper.at),
    pageOf: paper.pageOf
  })
  if (logo) sheet.logo(Buffer.from(logo))
  for (const line of paper.letterhead) sheet.text(line, { size: 9 })
  sheet.gap(1)
  for (const line of paper.customer) sheet.text(line)
  if (paper.customer.length > 0) sheet.gap(0.8)
  sheet.title(paper.title)
  sheet.text(paper.about)
  sheet.gap(0.6)
  if (printed.kind === 'estimate') putEstimate(sheet, printed.paper)
  else putOrder(sheet, printed.paper)
  sheet.gap()
  sheet.text(paper.caution, { size: 9 })
  if (paper.foot) sheet.text(paper.foot, { size: 9 })
  return sheet.finish(paper.title)
}

function putEstimate(sheet: PaperSheet, { basis, heads, lines, sums }: EstimatePaper): void {
  sheet.text(basis)
  sheet.gap(0.4)
  sheet.table(
    heads,
    lines.map(({ kind, text, note, quantity, price, amount, tax }, i) => [
      lines[i - 1]?.kind === kind ? '' : kind,
      note ? `${text}\n${note}` : text,
      quantity,
      price,
      amount,
      tax
    ]),
    [0.14, 0.36, 0.11, 0.15, 0.16, 0.08],
    2
  )
  sheet.gap(0.5)
  sums.forEach(({ label, value }, i) => sheet.sum(label, value, i === sums.length - 1))
}

function putOrder(sheet: PaperSheet, { heads, lines, none }: OrderPaper): void {
  if (lines.length === 0) return sheet.text(none)
  sheet.table(
    heads,
    lines.map(({ supplier, number, text, quantity, stock, price }, i) => [
      lines[i - 1]?.supplier === supplier ? '' : supplier,
      number,
      text,
      quantity,
      stock,
      price
    ]),
    [0.18, 0.17, 0.28, 0.09, 0.14, 0.14]
  )
}

import PDFDocument from 'pdfkit'
import { SCALE_CARD } from '../../words/en'
import { CARDS, type CardId, codeBits, cornersOf } from '../../core/picture'
import type { Faces } from './sheet'

/** Points to a millimetre. */
const MM = 72 / 25.4
/** mm of the papers, lying. */
const PAPER: Readonly<Record<CardId, readonly [number, number]>> = { a6: [148, 105], a5: [210, 148] }
/** Fields along a code: six of its bits and a black one at each end. */
const FIELDS = 8
/** mm of the line that is measured once for each printer. */
const LINE = 100

/** A scale card on one page of its own size: four codes, the line, and what to do with it. */
export async function cardPdf(card: CardId, { regular, bold }: Faces): Promise<Buffer> {
  const [width, height] = PAPER[card]
  const doc = new PDFDocument({
    size: [width * MM, height * MM],
    margin: 0,
    font: null as never,
    info: { Title: `${SCALE_CARD.title} ${card.toUpperCase()}` }
  })
  doc.registerFont('regular', regular).registerFont('bold', bold)
  const parts: Buffer[] = []
  const done = new Promise<Buffer>((resolve) => {
    doc.on('data', (part: Buffer) => parts.push(part))
    doc.on('end', () => resolve(Buffer.concat(parts)))
  })
  putCodes(doc, card)
  putWords(doc, card)
  doc.end()
  return done
}

function putCodes(doc: PDFKit.PDFDocument, card: CardId): void {
  const [width, height] = PAPER[card]
  const { code, first } = CARDS[card]
  const field = (code / FIELDS) * MM
  for (const place of [0, 1, 2, 3]) {
    const [x, y] = cornersOf(CARDS[card], place)[0]!
    const [left, top] = [(width / 2 + x) * MM, (height / 2 - y) * MM]
    doc.rect(left, top, code * MM, code * MM).fill('#000000')
    codeBits(first + place).forEach((bright, i) => {
      const [column, row] = [(i % 6) + 1, Math.floor(i / 6) + 1]
      // A hair wider, so that no dark seam shows between bright fields.
      if (bright) doc.rect(left + column * field, top + row * field, field + 0.05, field + 0.05).fill('#ffffff')
    })
  }
}

function putWords(doc: PDFKit.PDFDocument, card: CardId): void {
  const [width, height] = PAPER[card]
  const inside = (CARDS[card].width - 2 * CARDS[card].code - 8) * MM
  const left = (width * MM - inside) / 2
  const line = { left: ((width - LINE) / 2) * MM, y: (height / 2 + 8) * MM }
  doc.font('bold').fontSize(12).fillColor('#000000')
  doc.text(`${SCALE_CARD.title} ${card.toUpperCase()}`, left, (height / 2 - 30) * MM, {
    width: inside,
    align: 'center'
  })
  doc.font('regular').fontSize(7.5)
  doc.text(SCALE_CARD.lay, left, (height / 2 - 22) * MM, { width: inside, align: 'center' })
  doc.lineWidth(0.6)
  for (let mm = 0; mm <= LINE; mm += 10) {
    const tick = mm % 50 === 0 ? 3 : 1.8
    doc.moveTo(line.left + mm * MM, line.y).lineTo(line.left + mm * MM, line.y - tick * MM)
  }
  doc
    .moveTo(line.left, line.y)
    .lineTo(line.left + LINE * MM, line.y)
    .stroke('#000000')
  doc.text(SCALE_CARD.line, left, line.y + 1.5 * MM, { width: inside, align: 'center' })
  doc.text(SCALE_CARD.print, left, (height / 2 + 20) * MM, { width: inside, align: 'center' })
}

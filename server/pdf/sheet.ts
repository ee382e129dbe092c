import { create, type Font } from 'fontkit'
import PDFDocument from 'pdfkit'
import type { Drawing, Ink } from '../../draw/shapes'

export type Paper = 'a4' | 'letter'

/** The two cuts of the typeface that a report is set in, as TTF. */
export interface Faces {
  regular: Buffer
  bold: Buffer
}

const SIZES = { a4: 'A4', letter: 'LETTER' } as const
const MARGIN = 48
/** Side of a code at the page's corner. */
const CODE = 76
/** Sizes that lines to tick are set in, the largest that fits. */
const TICK_SIZES = [10, 9.5, 9, 8.5, 8, 7.5, 7, 6.5, 6, 5.5, 5]
/** Readable without colour: lines black, the one accent dark. */
const INKS: Readonly<Record<Ink, string>> = {
  ground: '#ffffff',
  line: '#111111',
  faint: '#999999',
  lit: '#8a5a00',
  limit: '#9c1162'
}

/** Lines to tick under their heading; `blank`: room to write, and its unit. */
export interface TickGroup {
  title: string
  lines: readonly { text: string; blank: string | null }[]
}

/** A document of flowing text, tables and drawings, its pages numbered at the end. */
export class PaperSheet {
  readonly doc: PDFKit.PDFDocument
  private readonly glyphs: Font

  constructor(
    paper: Paper,
    { regular, bold }: Faces,
    private readonly facts: { title: string; author: string; at: Date; pageOf: string }
  ) {
    this.doc = new PDFDocument({
      size: SIZES[paper],
      margin: MARGIN,
      bufferPages: true,
      font: null as never,
      lang: 'en',
      displayTitle: true,
      pdfVersion: '1.7',
      tagged: true,
      info: { Title: facts.title, Author: facts.author, CreationDate: facts.at }
    })
    this.glyphs = create(regular) as Font
    this.doc.registerFont('regular', regular)
    this.doc.registerFont('bold', bold)
    this.doc.font('regular').fontSize(10).fillColor('#111111')
  }

  get width(): number {
    return this.doc.page.width - 2 * MARGIN
  }

  /** Text that the typeface has letters for; anything else would be drawn as an empty box without a word. */
  printable(text: string): string {
    return Array.from(text.normalize('NFC').replaceAll(/[\u200E\u200F\u202A-\u202E\u2066-\u2069]/g, ''), (c) =>
      c === '\n' || this.glyphs.hasGlyphForCodePoint(c.codePointAt(0) ?? 0) ? c : '?'
    )
      .join('')
      .replaceAll(/\?{2,}/g, '?')
  }

  title(text: string): void {
    const width = this.width - CODE - 12
    this.doc.font('bold').fontSize(20).text(this.printable(text), { width }).font('regular').fontSize(10)
  }

  /** @param before height of what must stand on the same page */
  heading(text: string, before = 40): void {
    this.room(30 + before)
    this.doc
      .moveDown(0.8)
      .font('bold')
      .fontSize(13)
      .text(this.printable(text))
      .font('regular')
      .fontSize(10)
      .moveDown(0.2)
  }

  /** A paragraph; `lead` is set bold before it; `beside`: it leaves the code at the page's corner free. */
  text(
    text: string,
    { lead = '', size = 10, beside = false }: { lead?: string; size?: number; beside?: boolean } = {}
  ): void {
    this.room(2 * size + 6)
    if (lead)
      this.doc
        .font('bold')
        .fontSize(size)
        .text(`${this.printable(lead)} `, { continued: true })
    const width = this.width - (beside ? CODE + 12 : 0)
    this.doc.font('regular').fontSize(size).text(this.printable(text), { width }).fontSize(10)
  }

  gap(lines = 0.5): void {
    this.doc.moveDown(lines)
  }

  /**
   * Rows in columns of given shares of the width; a row stays together. @param right column from which figures stand
   * right
   */
  table(
    head: readonly string[],
    rows: readonly (readonly string[])[],
    shares: readonly number[],
    right = Infinity
  ): void {
    const widths = shares.map((share) => share * this.width)
    const put = (cells: readonly string[], font: 'regular' | 'bold') => {
      const texts = cells.map((cell) => this.printable(cell))
      this.doc.font(font).fontSize(9)
      const height =
        Math.max(...texts.map((cell, i) => this.doc.heightOfString(cell || ' ', { width: widths[i]! - 8 }))) + 5
      this.room(height)
      const top = this.doc.y
      let left = MARGIN
      texts.forEach((cell, i) => {
        this.doc.text(cell, left, top + 2, { width: widths[i]! - 8, align: i >= right ? 'right' : 'left' })
        left += widths[i]!
      })
      this.doc
        .moveTo(MARGIN, top + height)
        .lineTo(MARGIN + this.width, top + height)
        .lineWidth(0.4)
        .stroke('#999999')
      this.doc.x = MARGIN
      this.doc.y = top + height + 1
    }
    put(head, 'bold')
    for (const row of rows) put(row, 'regular')
    this.doc.font('regular').fontSize(10)
  }

  /** A sum at the right edge, under a table; the last is set bold. */
  sum(label: string, value: string, last: boolean): void {
    this.room(20)
    const top = this.doc.y
    const font = last ? 'bold' : 'regular'
    this.doc.font(font).fontSize(last ? 12 : 10)
    this.doc.text(this.printable(label), MARGIN, top, { width: 0.72 * this.width, align: 'right' })
    const under = this.doc.y
    this.doc.text(this.printable(value), MARGIN + 0.74 * this.width, top, { width: 0.26 * this.width, align: 'right' })
    this.doc.font('regular').fontSize(10)
    this.doc.x = MARGIN
    this.doc.y = Math.max(under, this.doc.y) + 2
  }

  /** A drawing as vectors, as wide as it may be. */
  drawing(drawing: Drawing, width: number): void {
    const scale = width / drawing.width
    this.room(scale * drawing.height + 8)
    const [left, top] = [this.doc.x, this.doc.y]
    this.doc.save().translate(left, top).scale(scale)
    for (const shape of drawing.shapes) {
      if (shape.kind === 'text') {
        const size = shape.size
        this.doc.font('regular').fontSize(size).fillColor(INKS[shape.ink])
        const wide = this.doc.widthOfString(shape.text)
        const x = shape.anchor === 'start' ? shape.x : shape.anchor === 'end' ? shape.x - wide : shape.x - wide / 2
        this.doc.text(this.printable(shape.text), x, shape.y - 0.8 * size, { lineBreak: false })
        continue
      }
      this.doc.save()
      if (shape.at) this.doc.translate(shape.at.x, shape.at.y).rotate(shape.at.turn ?? 0)
      this.doc
        .path(shape.d)
        .lineWidth(shape.width ?? 1)
        .lineCap('round')
      if (shape.fill && shape.stroke) this.doc.fillAndStroke(INKS[shape.fill], INKS[shape.stroke])
      else if (shape.fill) this.doc.fill(INKS[shape.fill])
      else if (shape.stroke) this.doc.stroke(INKS[shape.stroke])
      this.doc.restore()
    }
    this.doc.restore()
    this.doc.font('regular').fontSize(10).fillColor('#111111')
    this.doc.x = MARGIN
    this.doc.y = top + scale * drawing.height + 8
  }

  /** Pictures side by side, each with its caption under it. */
  pictures(pictures: readonly { jpeg: Buffer; caption: string }[], columns = 3): void {
    const wide = (this.width - (columns - 1) * 10) / columns
    const high = 0.75 * wide
    for (let i = 0; i < pictures.length; i += columns) {
      this.room(high + 30)
      const top = this.doc.y
      pictures.slice(i, i + columns).forEach(({ jpeg, caption }, k) => {
        const left = MARGIN + k * (wide + 10)
        this.doc.image(jpeg, left, top, { fit: [wide, high] })
        this.doc
          .fontSize(8)
          .text(this.printable(caption), left, top + high + 3, { width: wide, height: 20, ellipsis: true })
      })
      this.doc.fontSize(10)
      this.doc.x = MARGIN
      this.doc.y = top + high + 30
    }
  }

  /** A code that a camera reads, at the upper right corner; text goes on as if it were not there. */
  code({ path, size }: { path: string; size: number }, says: string): void {
    const { x, y } = this.doc
    const left = MARGIN + this.width - CODE
    this.doc
      .save()
      .translate(left, MARGIN)
      .scale(CODE / size)
      .path(path)
      .fill('#000000')
      .restore()
    this.doc
      .fontSize(6)
      .text(this.printable(says), left, MARGIN + CODE + 2, { width: CODE })
      .fontSize(10)
      .fillColor('#111111')
    Object.assign(this.doc, { x, y })
  }

  /** Lines to tick in two columns, as large as they fit on so many pages, this one the first. */
  ticks(groups: readonly TickGroup[], pages: number): void {
    const top = Math.max(this.doc.y, MARGIN + CODE + 22) + 8
    const fits = TICK_SIZES.find((size) => this.flow(groups, size, top, false) <= pages)
    this.flow(groups, fits ?? TICK_SIZES.at(-1)!, top, true)
  }

  /** @returns pages that it takes */
  private flow(groups: readonly TickGroup[], size: number, first: number, draw: boolean): number {
    const wide = (this.width - 16) / 2
    const bottom = this.doc.page.height - MARGIN - 16
    let [page, column, y] = [1, 0, first]
    const take = (height: number) => {
      if (y + height <= bottom) return
      column = 1 - column
      if (column === 0) {
        page++
        if (draw) this.doc.addPage()
      }
      y = page === 1 ? first : MARGIN
    }
    for (const { title, lines } of groups) {
      this.doc.font('bold').fontSize(size + 1)
      take(2 * size + 8 + 2 * size)
      if (draw) this.doc.text(this.printable(title), MARGIN + column * (wide + 16), y + 4, { width: wide })
      y += size + 9
      for (const { text, blank } of lines) {
        this.doc.font('regular').fontSize(size)
        const room = blank === null ? 0 : 64
        const words = this.printable(text)
        const width = wide - room - size - 5
        const height = this.doc.heightOfString(words, { width }) + 3
        take(height)
        if (draw) this.tick(words, { left: MARGIN + column * (wide + 16), top: y, wide, width, size }, blank)
        y += height
      }
    }
    this.doc.font('regular').fontSize(10)
    return page
  }

  /** A box, its line, and room to write with the unit behind it. */
  private tick(
    words: string,
    { left, top, wide, width, size }: { left: number; top: number; wide: number; width: number; size: number },
    blank: string | null
  ): void {
    this.doc
      .rect(left, top + 1, size - 2, size - 2)
      .lineWidth(0.6)
      .stroke('#111111')
    this.doc.text(words, left + size + 3, top, { width })
    if (blank === null) return
    const unit = this.printable(blank)
    const end = left + wide - (unit ? this.doc.widthOfString(unit) + 3 : 0)
    this.doc
      .moveTo(left + wide - 60, top + size)
      .lineTo(end, top + size)
      .lineWidth(0.5)
      .stroke('#999999')
    if (unit) this.doc.text(unit, end + 2, top, { lineBreak: false })
  }

  /** A logo at the head of the page, 14 mm high at most. */
  logo(png: Buffer): void {
    const top = this.doc.y
    this.doc.image(png, MARGIN, top, { fit: [this.width / 3, 40] })
    this.doc.x = MARGIN
    this.doc.y = top + 48
  }

  /** A page break where less than this much room is left. */
  room(height: number): void {
    if (this.doc.y + height > this.doc.page.height - MARGIN - 16) this.doc.addPage()
  }

  /** Numbers the pages and closes the document. */
  async finish(foot: string): Promise<Buffer> {
    const { count } = this.doc.bufferedPageRange()
    const words = this.printable(foot).slice(0, 90)
    for (let i = 0; i < count; i++) {
      this.doc.switchToPage(i)
      // The foot stands in the margin, where text would else start a new page.
      this.doc.page.margins.bottom = 0
      this.doc.fontSize(8).text(words, MARGIN, this.doc.page.height - 34, { lineBreak: false })
      this.doc.text(
        this.facts.pageOf.replace('{page}', String(i + 1)).replace('{count}', String(count)),
        MARGIN,
        this.doc.page.height - 34,
        { width: this.width, align: 'right', lineBreak: false }
      )
    }
    const pieces: Buffer[] = []
    this.doc.on('data', (piece: Buffer) => pieces.push(piece))
    const done = new Promise<Buffer>((resolve, reject) => {
      this.doc.on('end', () => resolve(Buffer.concat(pieces)))
      this.doc.on('error', reject)
    })
    this.doc.end()
    return done
  }
}

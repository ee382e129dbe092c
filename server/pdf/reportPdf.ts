import { type Report, restOf } from '../../words/en'
import { lagChart } from '../../draw/lagChart'
import { pathChart } from '../../draw/pathChart'
import type { Drawing } from '../../draw/shapes'
import { PaperSheet, type Faces, type Paper } from './sheet'

/** Points for each px of the drawing of the drive. */
const MAP_SCALE = 0.56

/** The customer's report on paper: the same words and figures as on the screen. */
export async function reportPdf(
  { report, map }: { report: Report; map: Drawing | null },
  photos: ReadonlyMap<string, Buffer>,
  paper: Paper,
  faces: Faces
): Promise<Buffer> {
  const { headings } = report
  const sheet = new PaperSheet(paper, faces, {
    title: headings.title,
    author: headings.workshop,
    at: new Date(report.at),
    pageOf: headings.pageOf
  })
  letterHead(sheet, report)
  sheet.heading(headings.found ?? headings.happened)
  for (const sentence of report.found ?? report.happened) sheet.text(sentence, { size: 11 })
  if (map) {
    const wide = Math.min(sheet.width, MAP_SCALE * map.width)
    sheet.heading(headings.drive, (wide / map.width) * map.height + 10)
    sheet.drawing(map, wide)
  }
  advice(sheet, report)
  const more = restOf(report)
  if (more.length > 0) {
    sheet.heading(headings.more ?? headings.happened)
    for (const sentence of more) sheet.text(sentence)
  }
  findings(sheet, report)
  pictures(sheet, report, photos)
  sheet.heading(headings.ifLeft)
  for (const line of report.ifLeft) sheet.text(line)
  sheet.heading(headings.notChecked)
  for (const line of report.notChecked.length > 0 ? report.notChecked : [headings.allChecked]) sheet.text(line)
  sheet.gap()
  for (const line of report.cautions) sheet.text(line, { lead: headings.caution, size: 9 })
  if (report.foot) sheet.text(report.foot, { size: 9 })
  sheet.text(headings.made, { size: 8 })
  return sheet.finish(`${report.vehicle}, ${report.at.slice(0, 10)}`)
}

/** Whose paper it is, whom it is for, and of what. */
function letterHead(sheet: PaperSheet, report: Report): void {
  if (report.logo) sheet.logo(Buffer.from(report.logo.split(',')[1] ?? '', 'base64'))
  for (const line of report.letterhead ?? []) sheet.text(line, { size: 9 })
  if (report.letterhead) sheet.gap(0.5)
  for (const line of report.addressee ?? []) sheet.text(line)
  if (report.addressee) sheet.gap(0.5)
  sheet.title([report.vehicle, report.registration].filter(Boolean).join(', '))
  sheet.text(report.headings.under)
  if (report.complaint) sheet.text(report.complaint, { lead: report.headings.broughtInFor })
}

function findings(sheet: PaperSheet, { headings, measures, calls, traced }: Report): void {
  sheet.heading(headings.measured)
  if (measures.length === 0) sheet.text(headings.nothingMeasured)
  else
    sheet.table(
      headings.measures,
      measures.map(({ name, what, read, asNew, limit, over }) => [
        name,
        what,
        over ? `${read}: ${headings.pastLimit}` : read,
        asNew,
        limit
      ]),
      [0.24, 0.15, 0.28, 0.11, 0.22]
    )
  if (traced) {
    sheet.heading(traced.title)
    for (const line of traced.says) sheet.text(line)
    sheet.gap(0.3)
    sheet.drawing(lagChart(traced.rows, traced.words, 420), Math.min(380, sheet.width))
  }
  sheet.heading(headings.calls)
  sheet.table(
    headings.call,
    calls.map(({ name, words, why, limit, by }) => [
      name,
      words,
      [why, limit && `${limit}.`, by && `(${headings.decidedBy} ${by})`].filter(Boolean).join(' ')
    ]),
    [0.24, 0.2, 0.56]
  )
}

function pictures(sheet: PaperSheet, { headings, photos }: Report, pixels: ReadonlyMap<string, Buffer>): void {
  const kept = photos.flatMap(({ id, caption }) => {
    const jpeg = pixels.get(id)
    return jpeg ? [{ jpeg, caption }] : []
  })
  if (kept.length === 0) return
  sheet.heading(headings.pictures)
  sheet.pictures(kept)
}

function advice(sheet: PaperSheet, { headings, paths }: Report): void {
  if (paths.length === 0) return
  sheet.heading(headings.ways)
  sheet.text(headings.waysSay)
  sheet.gap(0.3)
  sheet.table(
    headings.way,
    paths.map(({ title, advised, names, hours, priceWords, openWords, comeBackWords }, i) => [
      `${i + 1} ${title}${advised ? ` (${headings.advised})` : ''}`,
      names,
      hours.toFixed(1),
      [priceWords, openWords].filter(Boolean).join(', '),
      comeBackWords
    ]),
    [0.22, 0.38, 0.09, 0.14, 0.17]
  )
  sheet.gap(0.5)
  sheet.drawing(pathChart(paths, headings, 420, 200), Math.min(380, sheet.width))
}

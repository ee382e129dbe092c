import type { Report } from '../../core/views/report'
import { pathChart } from '../../draw/pathChart'
import type { Drawing } from '../../draw/shapes'
import { PaperSheet, type Faces, type Paper } from './sheet'

/** Points. */
const MAP_WIDTH = 260

/** The customer's report on paper: the same words and figures as on the screen. */
export async function reportPdf({ report, map }: { report: Report; map: Drawing | null }, photos: ReadonlyMap<string, Buffer>, paper: Paper, faces: Faces): Promise<Buffer> {
  const sheet = new PaperSheet(paper, faces, { title: `${report.vehicle}: timing drive`, author: 'Saltmarsh Works', at: new Date(report.at) })
  sheet.title(report.vehicle)
  sheet.text(`${report.engine}, ${report.usage}. ${report.by}, ${report.at.slice(0, 10)}. Saltmarsh Works.`)
  if (report.complaint) sheet.text(report.complaint, { lead: 'Brought in for:' })
  sheet.heading('What happened')
  for (const sentence of report.happened) sheet.text(sentence, { size: 11 })
  findings(sheet, report)
  if (map) {
    sheet.heading('The drive as it stands', (MAP_WIDTH / map.width) * map.height + 10)
    sheet.drawing(map, MAP_WIDTH)
  }
  pictures(sheet, report, photos)
  advice(sheet, report)
  sheet.heading('If it is left')
  for (const line of report.ifLeft) sheet.text(line)
  sheet.heading('What was not checked')
  for (const line of report.notChecked.length > 0 ? report.notChecked : ['Everything that can be measured on this drive was measured.']) sheet.text(line)
  sheet.gap()
  for (const line of report.cautions) sheet.text(line, { lead: 'Caution.', size: 9 })
  sheet.text(`${report.made.sheet}; computation ${report.made.core}${report.made.signoff ? `; signed, revision ${report.made.signoff}` : '; not signed off yet'}.`, { size: 8 })
  return sheet.finish(`${report.vehicle}, ${report.at.slice(0, 10)}`)
}

function findings(sheet: PaperSheet, report: Report): void {
  sheet.heading('What was measured')
  if (report.measures.length === 0) sheet.text('Nothing yet.')
  else sheet.table(['Part', '', 'Found', 'As new', 'Limit'], report.measures.map(({ name, what, read, asNew, limit, over }) => [name, what, over ? `${read}: past the limit` : read, asNew, limit]), [0.24, 0.15, 0.28, 0.11, 0.22])
  sheet.heading('Part by part')
  sheet.table(['Part', 'What happens', 'Why'], report.calls.map(({ name, words, why, limit, by }) => [name, words, [why, limit && `${limit}.`, by && `(decided by ${by})`].filter(Boolean).join(' ')]), [0.24, 0.2, 0.56])
}

function pictures(sheet: PaperSheet, { photos }: Report, pixels: ReadonlyMap<string, Buffer>): void {
  const kept = photos.flatMap(({ id, caption }) => (pixels.has(id) ? [{ jpeg: pixels.get(id)!, caption }] : []))
  if (kept.length === 0) return
  sheet.heading('Pictures')
  sheet.pictures(kept)
}

function advice(sheet: PaperSheet, { paths, horizon }: Report): void {
  if (paths.length === 0) return
  sheet.heading('The ways open, and what they cost')
  sheet.text(`Odds are of the cover coming off again within ${horizon}. The customer decides.`)
  sheet.gap(0.3)
  sheet.table(['', 'Renews', 'Hours', 'Price now', 'Comes back'], paths.map(({ title, advised, names, hours, priceWords, comeBackWords }, i) => [`${i + 1} ${title}${advised ? ' (advised)' : ''}`, names, hours.toFixed(1), priceWords, comeBackWords]), [0.22, 0.38, 0.09, 0.14, 0.17])
  sheet.gap(0.5)
  sheet.drawing(pathChart(paths, 420, 200), Math.min(380, sheet.width))
}

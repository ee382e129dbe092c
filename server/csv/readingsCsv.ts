import Papa from 'papaparse'
import { type Act, assessRecord, foldActs, type KeptJob } from '../../core/record'
import { partOf, READING_KINDS } from '../../core/readings'

/**
 * The readings that stand, one a line, with what each was predicted as. Cells that a spreadsheet would run are made
 * harmless.
 */
export function readingsCsv(job: KeptJob, acts: readonly Act[]): string {
  const { readings } = foldActs(acts, job.school)
  const estimates = new Map(assessRecord(job, acts).readings.map((estimate) => [estimate.id, estimate]))
  const rows = readings.map((reading) => {
    const { kind, value, notches, method, by, at, note, finding, count, from, to, links } = reading
    const part = partOf(reading)
    const unit = kind === 'condition' ? '' : READING_KINDS[kind].unit
    return {
      kind,
      part,
      from,
      to,
      links,
      value,
      notches,
      unit,
      finding,
      count,
      method,
      by,
      at,
      predicted: estimates.get(reading.id)?.predicted,
      'at odds': estimates.get(reading.id)?.atOdds ? 'yes' : '',
      note
    }
  })
  return (
    Papa.unparse(rows, {
      escapeFormulae: true,
      columns: [
        'kind',
        'part',
        'from',
        'to',
        'links',
        'value',
        'notches',
        'unit',
        'finding',
        'count',
        'method',
        'by',
        'at',
        'predicted',
        'at odds',
        'note'
      ]
    }) + '\r\n'
  )
}

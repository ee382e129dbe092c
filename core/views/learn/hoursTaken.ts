import { groupBy } from '../../math'
import type { JobSummary } from '../summary'

/** How long an operation of one type of engine takes here, against its sheet. */
export interface HoursTaken {
  sheet: string
  operation: string
  /** Hours of the sheet, as the newest job had them. */
  onSheet: number
  /** Mean of what it took, and of how many jobs. */
  mean: number
  jobs: number
  /** What to reckon with: the mean, drawn to the sheet's hours while few jobs tell. */
  reckon: number
}

/** Jobs that the sheet's hours count as. */
const SHEET_COUNTS_AS = 2

/** Hours that operations took, by type of engine, the furthest from the sheet first. */
export function hoursTaken(jobs: readonly { summary: JobSummary; openedAt: string }[]): HoursTaken[] {
  const all = jobs.flatMap(({ summary: { sheet, took = [] }, openedAt }) =>
    took.map((one) => ({ ...one, sheet, openedAt }))
  )
  return [...groupBy(all, ({ sheet, operation }) => `${sheet.id} ${operation}`).values()]
    .map((ofOne): HoursTaken => {
      const newest = ofOne.reduce((a, b) => (b.openedAt > a.openedAt ? b : a))
      const sum = ofOne.reduce((total, { hours }) => total + hours, 0)
      return {
        sheet: newest.sheet.name,
        operation: newest.name,
        onSheet: newest.onSheet,
        mean: sum / ofOne.length,
        jobs: ofOne.length,
        reckon: (SHEET_COUNTS_AS * newest.onSheet + sum) / (SHEET_COUNTS_AS + ofOne.length)
      }
    })
    .sort((a, b) => Math.abs(b.mean - b.onSheet) - Math.abs(a.mean - a.onSheet))
}

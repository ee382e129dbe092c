import { messagesOf, type Message } from '../../check'
import { camsOf, drivesFurther } from '../../drive'
import type { DriveSheet } from '../../sheet'

/** What a scan log says of one cam: crank degrees, + = retarded against what was commanded. */
export interface Deviation {
  sprocket: string
  lag: number
  /** sd from sample to sample; a steady engine scatters by well under a degree. */
  scatter: number
  samples: number
}

export interface ScanLog {
  deviations: Deviation[]
  /** Samples at a warm idle, and in all. */
  used: number
  all: number
  /** Why nothing could be read from it; null when something could. */
  fault: Message | null
}

/** Why a scan log cannot be read. */
export interface ScanSays {
  'empty-log': {}
  /** `cams`: those of the engine are lacking too. */
  'lacks-columns': { missing: readonly string[]; cams: boolean; columns: readonly string[] }
  'too-few-samples': { samples: number; coolant: number; rpm: number }
  'no-cam-figures': {}
}

const say = messagesOf<ScanSays>()

/** A warm idle: what a deviation is read at. */
export const WARM_IDLE = { coolant: 70, rpm: 1100 } as const

const FEWEST = 5

/**
 * The columns a log has for a sheet: `time_s`, `rpm`, `coolant_c`, and two for each cam, in crank degrees of advance.
 */
export function scanColumns(sheet: DriveSheet): string[] {
  return ['time_s', 'rpm', 'coolant_c', ...scannedCams(sheet).flatMap((id) => [`${id}_commanded`, `${id}_actual`])]
}

/**
 * Reads cam deviations from the rows of a scan log: at a warm idle, for each cam the median of commanded less actual
 * advance (a cam that does not come as far forward as it is told is late).
 * @param rows cells by column name, as they stand in the file
 */
export function readScan(sheet: DriveSheet, rows: readonly Record<string, string>[]): ScanLog {
  const columns = Object.keys(rows[0] ?? {})
  const missing = ['rpm', 'coolant_c'].filter((name) => !columns.includes(name))
  const cams = scannedCams(sheet).filter(
    (id) => columns.includes(`${id}_commanded`) && columns.includes(`${id}_actual`)
  )
  const refused = (fault: Message): ScanLog => ({ deviations: [], used: 0, all: rows.length, fault })
  if (rows.length === 0) return refused(say('empty-log'))
  if (missing.length > 0 || cams.length === 0)
    return refused(say('lacks-columns', { missing, cams: cams.length === 0, columns: scanColumns(sheet) }))
  const idle = rows.filter(
    (row) => number(row.coolant_c) >= WARM_IDLE.coolant && number(row.rpm) > 300 && number(row.rpm) <= WARM_IDLE.rpm
  )
  if (idle.length < FEWEST) return refused(say('too-few-samples', { samples: idle.length, ...WARM_IDLE }))
  const deviations = cams.flatMap((sprocket): Deviation[] => {
    const lags = idle
      .map((row) => number(row[`${sprocket}_commanded`]) - number(row[`${sprocket}_actual`]))
      .filter(Number.isFinite)
    return lags.length < FEWEST ? [] : [{ sprocket, lag: median(lags), scatter: scatterOf(lags), samples: lags.length }]
  })
  return {
    deviations,
    used: idle.length,
    all: rows.length,
    fault: deviations.length > 0 ? null : say('no-cam-figures')
  }
}

function scannedCams(sheet: DriveSheet): string[] {
  return sheet.chains.flatMap((chain) => camsOf(sheet, chain)).filter((id) => !drivesFurther(sheet, id))
}

/** A cell as a number; NaN for anything else. */
function number(cell: string | undefined): number {
  return cell === undefined || cell.trim() === '' ? NaN : Number(cell.trim().replace(',', '.'))
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = Math.floor(sorted.length / 2)
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

function scatterOf(values: readonly number[]): number {
  const mean = values.reduce((a, b) => a + b, 0) / values.length
  return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / Math.max(1, values.length - 1))
}

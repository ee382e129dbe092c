import { scanColumns } from '../core/views/scan'
import type { DriveSheet } from '../core/sheet'
import { randomness } from '../core/math'
import { standTrue, type Truth } from '../core/views/practice'

/**
 * A stand-in for an engine computer on the diagnostic plug: a minute and a half from a cool start to a warm idle, with
 * what each cam was told to do and did, as CSV.
 */
export function simulatedScan(sheet: DriveSheet, truth: Truth, seed: number): string {
  const { normal } = randomness(40_000 + seed)
  const { lag } = standTrue(sheet, truth)
  const columns = scanColumns(sheet)
  const rows = Array.from({ length: 90 }, (_, second) => {
    const coolant = Math.min(89, 58 + 0.6 * second + normal(0.2))
    const rpm = 760 + 420 * Math.exp(-second / 12) + normal(12)
    const figures: Record<string, number> = { time_s: second, rpm, coolant_c: coolant }
    for (const cam of columns
      .filter((name) => name.endsWith('_commanded'))
      .map((name) => name.replace('_commanded', ''))) {
      const commanded = coolant < 70 ? 0 : 4
      const loose = (truth.play?.[sheet.phasers.find((p) => p.sprocket === cam)?.id ?? ''] ?? 0) / 2
      figures[`${cam}_commanded`] = commanded
      figures[`${cam}_actual`] = commanded - lag[cam]! + normal(0.35) + normal(loose)
    }
    return columns.map((name) => figures[name]!.toFixed(name === 'time_s' || name === 'rpm' ? 0 : 1)).join(',')
  })
  return `${[columns.join(','), ...rows].join('\n')}\n`
}

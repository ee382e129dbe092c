import { banksOf, compileSheet, type DriveSheet } from '../sheet'
import type { KnownReading } from './ids'

/**
 * What compression or leak-down of the cylinders looks like together. `all-low` needs a limit to be told; one alone, or
 * two side by side, stand out from the rest.
 */
export type CylinderPattern = 'even' | 'all-low' | 'one-low' | 'neighbours-low' | 'some-low'

export interface CylinderResult {
  pattern: CylinderPattern
  /** Cylinders that are low. */
  low: readonly number[]
  /** Was every cylinder measured, and held against a limit of the sheet? */
  complete: boolean
  readings: readonly string[]
}

/** Of the best: a cylinder below it stands out from the others. */
const STANDS_OUT = 0.75
/** Points of leak-down above the best that stand out. */
const LEAKS_MORE = 15

const TESTS = [
  { finding: 'compression-figure', limit: 'compression', low: (v: number, best: number) => v < STANDS_OUT * best },
  { finding: 'leak-down', limit: 'leakDown', low: (v: number, best: number) => v > best + LEAKS_MORE }
] as const

/** The pattern in the latest figure of each cylinder, of compression or else of leak-down; null with fewer than two. */
export function cylinderPattern(drive: DriveSheet, readings: readonly KnownReading[]): CylinderResult | null {
  for (const test of TESTS) {
    const figures = new Map<number, { value: number; id: string }>()
    for (const r of readings)
      if (r.kind === 'condition' && r.finding === test.finding && r.cylinder !== undefined && r.value !== undefined)
        figures.set(r.cylinder, { value: r.value, id: r.id })
    if (figures.size >= 2) return patternOf(drive, figures, test)
  }
  return null
}

function patternOf(
  drive: DriveSheet,
  figures: ReadonlyMap<number, { value: number; id: string }>,
  { finding, limit: kind, low }: (typeof TESTS)[number]
): CylinderResult {
  const limit = compileSheet(drive).limit(kind, 'engine')
  const values = [...figures.values()].map(({ value }) => value)
  const pressure = finding === 'compression-figure'
  const best = pressure ? Math.max(...values) : Math.min(...values)
  const past = (value: number) => limit !== null && (pressure ? value < limit.value : value > limit.value)
  const lows = [...figures].filter(([, { value }]) => past(value) || low(value, best)).map(([cylinder]) => cylinder)
  const { cylinders } = drive.engine
  return {
    pattern: namePattern(
      lows.sort((a, b) => a - b),
      figures.size,
      drive
    ),
    low: lows,
    complete: limit !== null && figures.size >= cylinders,
    readings: [...figures.values()].map(({ id }) => id)
  }
}

function namePattern(lows: readonly number[], measured: number, drive: DriveSheet): CylinderPattern {
  if (lows.length === 0) return 'even'
  if (lows.length === measured) return 'all-low'
  if (lows.length === 1) return 'one-low'
  return lows.length === 2 && areNeighbours(drive, lows[0]!, lows[1]!) ? 'neighbours-low' : 'some-low'
}

/** Side by side on one bank: of two banks the first holds the first half of the numbers. */
function areNeighbours(drive: DriveSheet, a: number, b: number): boolean {
  const { cylinders } = drive.engine
  const half = banksOf(drive).length === 2 ? cylinders / 2 : cylinders
  return Math.abs(a - b) === 1 && Math.ceil(a / half) === Math.ceil(b / half)
}

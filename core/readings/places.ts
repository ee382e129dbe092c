import type { Chain, DriveSheet } from '../sheet'
import { readingSigma } from './sigma'
import type { Of, Reading } from './types'

/** A length of a chain on the bench. */
export type BenchLength = Of<'chainLength'> | Of<'chainCompare'>

/** Was a chain measured on the bench? */
export function isBenchLength<R extends Reading>(
  reading: R
): reading is Extract<R, { kind: 'chainLength' | 'chainCompare' }> {
  return reading.kind === 'chainLength' || reading.kind === 'chainCompare'
}

/** A chain measured at several places along it; fractions. */
export interface Places {
  /** How many places. */
  count: number
  mean: number
  /** The longest place less the shortest. */
  spread: number
  /** Do the places differ by more than their measuring can? Uneven wear is a finding of its own. */
  uneven: boolean
}

/** sigmas of a difference: places further apart than this differ. */
const DIFFER = 3

/**
 * Bench lengths taken at named places of one chain (`place` 1, 2, 3 …), brought to elongations and compared.
 * @returns null with fewer than two places
 */
export function placesOf(sheet: DriveSheet, chain: Chain, readings: readonly Reading[]): Places | null {
  const places = new Map<number, { sum: number; weight: number }>()
  for (const reading of readings) {
    if (!isBenchLength(reading) || reading.place === undefined) continue
    const { elongation, sigma } = elongationRead(sheet, chain, reading)
    const known = places.get(reading.place) ?? { sum: 0, weight: 0 }
    places.set(reading.place, { sum: known.sum + elongation / sigma ** 2, weight: known.weight + 1 / sigma ** 2 })
  }
  if (places.size < 2) return null
  const each = [...places.values()]
    .map(({ sum, weight }) => ({ mean: sum / weight, variance: 1 / weight }))
    .sort((a, b) => a.mean - b.mean)
  const [shortest, longest] = [each[0]!, each.at(-1)!]
  const spread = longest.mean - shortest.mean
  return {
    count: each.length,
    mean: each.reduce((sum, e) => sum + e.mean, 0) / each.length,
    spread,
    uneven: spread > DIFFER * Math.sqrt(shortest.variance + longest.variance)
  }
}

/**
 * What a place's length adds to the uncertainty of the chain's mean, mm over its links: places differ by more than the
 * calliper does, so each speaks for its place and only together for the chain. The sd between places, in quadrature.
 */
export function placeSigma(sheet: DriveSheet, chain: Chain, reading: Reading, readings: readonly Reading[]): number {
  if (!isBenchLength(reading) || reading.place === undefined) return 0
  const mine = readings.filter(isBenchLength).filter((r) => r.chain === chain.id && r.place !== undefined)
  const values = mine.map((r) => elongationRead(sheet, chain, r))
  const mean = values.reduce((sum, v) => sum + v.elongation, 0) / values.length
  const between = values.reduce((sum, v) => sum + (v.elongation - mean) ** 2, 0) / Math.max(1, values.length - 1)
  const measuring = values.reduce((sum, v) => sum + v.sigma ** 2, 0) / values.length
  return Math.sqrt(Math.max(0, between - measuring)) * reading.links * chain.pitch
}

/** The elongation that one bench length speaks for, a fraction, with its sigma. */
export function elongationRead(
  sheet: DriveSheet,
  chain: Chain,
  reading: BenchLength
): { elongation: number; sigma: number } {
  const length = reading.links * chain.pitch
  const longer = reading.kind === 'chainLength' ? reading.value - length : reading.value
  return { elongation: longer / length, sigma: (readingSigma(sheet, reading) ?? NaN) / length }
}

import { NINETY } from '../math'
import type { WearPoint } from '../readings'

/** A figure with its 90 % interval; `high` is null where there is no upper end. */
export interface Range {
  low: number
  mean: number
  high: number | null
}

/** How fast a chain stretches. */
export interface WearRate {
  /** Fraction per unit of usage, with sd and 5 and 95 % ends. */
  rate: { mean: number; sd: number; low: number; high: number }
  /** How many points it rests on. */
  points: number
  /** Did the points scatter more than their sds allow? Then the sd has been widened by as much. */
  scattered: boolean
}

/** When something is reached: engine usage, and days from now where it is known how much the engine is used. */
export interface Reached {
  usage: Range
  days: Range | null
}

/**
 * Rate of stretch through zero at the chain's fitting: weighted least squares of ε = r·u, r = Σ(u·ε/σ²)/Σ(u²/σ²),
 * sd = 1/√Σ(u²/σ²), widened by √(χ²/(n − 1)) where the points scatter more than they should (R. T. Birge, The
 * calculation of errors by the method of least squares, 1932).
 * @param fittedAt engine usage at which the chain was fitted; points before it belong to another chain and are passed
 *   over
 * @returns null without a point after the fitting
 */
export function wearRate(points: readonly WearPoint[], fittedAt = 0): WearRate | null {
  const mine = points
    .filter(({ usage }) => usage > fittedAt)
    .map(({ usage, mean, sd }) => ({ u: usage - fittedAt, mean, sd }))
  if (mine.length === 0) return null
  const precision = mine.reduce((sum, { u, sd }) => sum + (u / sd) ** 2, 0)
  const mean = mine.reduce((sum, { u, mean: e, sd }) => sum + (u * e) / sd ** 2, 0) / precision
  const misfit = mine.reduce((sum, { u, mean: e, sd }) => sum + ((e - mean * u) / sd) ** 2, 0)
  const birge = mine.length > 1 ? Math.sqrt(misfit / (mine.length - 1)) : 1
  const sd = Math.max(birge, 1) / Math.sqrt(precision)
  return {
    rate: { mean: Math.max(0, mean), sd, low: Math.max(0, mean - NINETY * sd), high: Math.max(0, mean + NINETY * sd) },
    points: mine.length,
    scattered: birge > 1
  }
}

/**
 * Usage (and days) at which an elongation is reached at a rate: the range runs from its fast to its slow end.
 * @param elongation fraction: the limit, or where the tensioner's travel ends
 * @param perDay usage a day, where known
 */
export function reachedAt(
  { rate }: WearRate,
  elongation: number,
  fittedAt: number,
  now: number,
  perDay?: number
): Reached {
  const at = (speed: number) => (speed > 0 ? fittedAt + elongation / speed : null)
  const usage: Range = { low: at(rate.high) ?? Infinity, mean: at(rate.mean) ?? Infinity, high: at(rate.low) }
  const days =
    perDay !== undefined && perDay > 0
      ? {
          low: (usage.low - now) / perDay,
          mean: (usage.mean - now) / perDay,
          high: usage.high === null ? null : (usage.high - now) / perDay
        }
      : null
  return { usage, days }
}

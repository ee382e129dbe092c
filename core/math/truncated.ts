import { dot, inverse, type Matrix } from './linear'
import { truncatedMoments } from './normal'

/** A normal distribution cut off at 0 in some of its dimensions, approximated. */
export interface Truncated {
  mean: number[]
  covariance: Matrix
  /** For each cut-off dimension the normal whose part above 0 is its marginal; null for the others. */
  cut: ({ mean: number; sd: number } | null)[]
}

const SWEEPS = 12
const SETTLED = 1e-6

/**
 * Moments of N(A⁻¹b, A⁻¹) restricted to x[i] ≥ 0 in the bounded dimensions, by expectation propagation: each bound is
 * replaced by a normal factor that gives the same mean and variance in its dimension (J. P. Cunningham, P. Hennig,
 * S. Lacoste-Julien, Gaussian probabilities and expectation propagation, 2011). Exact for one bound; needed because a
 * drive's unread wears are not at their likeliest value, 0, but somewhere above it.
 */
export function truncatedNormal(a: Matrix, b: readonly number[], bounded: readonly boolean[]): Truncated {
  const covariance = inverse(a)
  const mean = covariance.map((row) => dot(row, b))
  const factors = bounded.map(() => ({ precision: 0, shift: 0 }))
  const indices = bounded.map((is, i) => (is ? i : -1)).filter((i) => i >= 0)
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    let moved = 0
    for (const i of indices) moved = Math.max(moved, refit(mean, covariance, factors[i]!, i))
    if (moved < SETTLED) break
  }
  return { mean, covariance, cut: bounded.map((is, i) => (is ? cavity(mean, covariance, factors[i]!, i) : null)) }
}

interface Factor {
  precision: number
  shift: number
}

function cavity(mean: readonly number[], covariance: Matrix, factor: Factor, i: number): { mean: number; sd: number } {
  const precision = 1 / covariance[i]![i]! - factor.precision
  return { mean: (mean[i]! / covariance[i]![i]! - factor.shift) / precision, sd: Math.sqrt(1 / precision) }
}

/** Renews one bound's factor in place (rank-one update); returns how far its mean moved. */
function refit(mean: number[], covariance: Matrix, factor: Factor, i: number): number {
  const without = cavity(mean, covariance, factor, i)
  const wanted = truncatedMoments(without.mean, without.sd)
  const precision = Math.max(1 / wanted.variance - 1 / without.sd ** 2, 1e-12)
  const shift = wanted.mean * (precision + 1 / without.sd ** 2) - without.mean / without.sd ** 2
  const [more, further] = [precision - factor.precision, shift - factor.shift]
  const column = covariance.map((row) => row[i]!)
  const was = mean[i]!
  const scale = more / (1 + more * column[i]!)
  const step = further - scale * (was + column[i]! * further)
  for (let r = 0; r < mean.length; r++) {
    mean[r]! += column[r]! * step
    for (let c = 0; c < mean.length; c++) covariance[r]![c]! -= scale * column[r]! * column[c]!
  }
  factor.precision = precision
  factor.shift = shift
  return Math.abs(mean[i]! - was)
}

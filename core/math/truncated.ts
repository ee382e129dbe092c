import { cholesky, choleskySolve, dot, type Matrix } from './linear'
import { logCdf, truncatedMoments } from './normal'
import type { WeightedNormal } from './mixtures'

/** What is believed of a quantity that cannot be below 0: half-normals of these scales, with weights that sum to 1. */
export type HalfNormals = readonly { readonly weight: number; readonly scale: number }[]

/** A normal distribution cut off at 0 in some of its dimensions, approximated. */
export interface Truncated {
  mean: number[]
  covariance: Matrix
  /** For each cut-off dimension normals whose parts above 0 are its marginal; null for the others. */
  cut: (WeightedNormal[] | null)[]
  /** ln of its mass, without constants that depend on the number of dimensions alone. */
  logMass: number
}

const SWEEPS = 12
const SETTLED = 1e-5

/** Precision of the normal that stands for the widest half-normal; the others are factors on it. */
export function widePrecision(priors: HalfNormals): number {
  return 1 / Math.max(...priors.map(({ scale }) => scale)) ** 2
}

/**
 * exp(−½xᵀAx + bᵀx) times, in the bounded dimensions, a mixture of half-normals, as a normal of the same moments, by
 * expectation propagation: each bounded dimension's prior is replaced by a normal factor that gives the same mean and
 * variance there (J. P. Cunningham, P. Hennig, S. Lacoste-Julien, Gaussian probabilities and expectation propagation,
 * 2011; its mass is their approximation of the evidence). Exact for one bound; needed because a drive's unread wears
 * are not at their likeliest value, 0, but somewhere above it.
 * @param a with the precision of each bounded dimension's widest half-normal on its diagonal
 * @param bounded null for a dimension without a bound
 */
export function boundedNormal(a: Matrix, b: readonly number[], bounded: readonly (HalfNormals | null)[]): Truncated {
  const all = a.map((_, i) => i)
  const lower = cholesky(a, all)
  const covariance = all.map((i) =>
    choleskySolve(
      lower,
      all.map((k) => (k === i ? 1 : 0))
    )
  )
  const mean = covariance.map((row) => dot(row, b))
  const state: State = {
    mean,
    covariance,
    logDeterminant: lower.reduce((sum, row, i) => sum + 2 * Math.log(row[i]!), 0)
  }
  const factors = bounded.map(() => ({ precision: 0, shift: 0 }))
  const dimensions = bounded.flatMap((priors, i) => (priors ? [{ i, priors: factorsOn(priors) }] : []))
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    let moved = 0
    for (const { i, priors } of dimensions) moved = Math.max(moved, refit(state, factors[i]!, priors, i))
    if (moved < SETTLED) break
  }
  const cut: Truncated['cut'] = bounded.map(() => null)
  let logMass = -state.logDeterminant / 2
  for (let i = 0; i < mean.length; i++) logMass += ((b[i]! + factors[i]!.shift) * mean[i]!) / 2
  for (const { i, priors } of dimensions) {
    const without = cavity(state, factors[i]!, i)
    const tilted = tilt(without, priors)
    cut[i] = tilted.parts
    logMass += tilted.logMass - logFactorMass(without, factors[i]!)
  }
  return { mean, covariance, cut, logMass }
}

interface State {
  mean: number[]
  covariance: Matrix
  logDeterminant: number
}

interface Factor {
  precision: number
  shift: number
}

interface Normal {
  mean: number
  variance: number
}

/** A half-normal as a factor on the widest one: ln of its weight, and the precision that it adds. */
interface OnWidest {
  logWeight: number
  precision: number
}

function factorsOn(priors: HalfNormals): OnWidest[] {
  const widest = widePrecision(priors)
  return priors.map(({ weight, scale }) => ({
    logWeight: Math.log((2 * weight) / scale),
    precision: 1 / scale ** 2 - widest
  }))
}

function cavity({ mean, covariance }: State, factor: Factor, i: number): Normal {
  const precision = 1 / covariance[i]![i]! - factor.precision
  return { mean: (mean[i]! / covariance[i]![i]! - factor.shift) / precision, variance: 1 / precision }
}

/** A normal times a mixture of half-normals: the parts, their moments and ln of their mass. */
function tilt(without: Normal, priors: readonly OnWidest[]): Normal & { parts: WeightedNormal[]; logMass: number } {
  const each = priors.map(({ logWeight, precision }) => {
    const variance = without.variance / (1 + precision * without.variance)
    const mean = (without.mean * variance) / without.variance
    const sd = Math.sqrt(variance)
    const fit = (mean * mean) / variance - (without.mean * without.mean) / without.variance
    const logMass = logWeight + (Math.log(variance / without.variance) + fit) / 2 + logCdf(mean / sd)
    return { mean, sd, logMass, moments: truncatedMoments(mean, sd) }
  })
  const most = Math.max(...each.map(({ logMass }) => logMass))
  const total = each.reduce((sum, { logMass }) => sum + Math.exp(logMass - most), 0)
  const parts = each.map(({ mean, sd, logMass }) => ({ weight: Math.exp(logMass - most) / total, mean, sd }))
  const mean = each.reduce((sum, { moments }, k) => sum + parts[k]!.weight * moments.mean, 0)
  const square = each.reduce(
    (sum, { moments }, k) => sum + parts[k]!.weight * (moments.variance + moments.mean ** 2),
    0
  )
  const variance = Math.max(square - mean * mean, 1e-12 * without.variance)
  return { parts, mean, variance, logMass: most + Math.log(total) }
}

/** ln of the mass of a normal times a normal factor exp(−½·precision·x² + shift·x). */
function logFactorMass({ mean, variance }: Normal, { precision, shift }: Factor): number {
  const stretched = 1 + precision * variance
  const fit = (mean / variance + shift) ** 2 / (1 / variance + precision) - mean ** 2 / variance
  return (fit - Math.log(stretched)) / 2
}

/** Renews one bound's factor in place (rank-one update); returns how far its mean moved. */
function refit(state: State, factor: Factor, priors: readonly OnWidest[], i: number): number {
  const { mean, covariance } = state
  const without = cavity(state, factor, i)
  const wanted = tilt(without, priors)
  const precision = Math.max(1 / wanted.variance - 1 / without.variance, 1e-12)
  const shift = wanted.mean * (precision + 1 / without.variance) - without.mean / without.variance
  const [more, further] = [precision - factor.precision, shift - factor.shift]
  const column = covariance.map((row) => row[i]!)
  const was = mean[i]!
  const stretched = 1 + more * column[i]!
  const scale = more / stretched
  const step = further - scale * (was + column[i]! * further)
  for (let r = 0; r < mean.length; r++) {
    mean[r]! += column[r]! * step
    const [row, by] = [covariance[r]!, scale * column[r]!]
    for (let c = 0; c < mean.length; c++) row[c]! -= by * column[c]!
  }
  state.logDeterminant += Math.log(stretched)
  factor.precision = precision
  factor.shift = shift
  return Math.abs(mean[i]! - was)
}

import { cdf, truncatedAbove, truncatedMoments } from './normal'

/** A quantity that cannot be below 0: mean, standard deviation, its 5 and 95 % quantiles. */
export interface Spread {
  mean: number
  sd: number
  low: number
  high: number
}

/** A weighted normal; cut off below 0 when used as a marginal of a wear. */
export interface WeightedNormal {
  weight: number
  mean: number
  sd: number
}

/** Mean of a mixture of normals cut off below 0. */
export function cutMean(parts: readonly WeightedNormal[]): number {
  return parts.reduce((sum, { weight, mean, sd }) => sum + weight * truncatedMoments(mean, sd).mean, 0)
}

/** Mean, sd and 90 % interval of a mixture of normals cut off below 0. */
export function cutMixture(parts: readonly WeightedNormal[]): Spread {
  const moments = parts.map((part) => truncatedMoments(part.mean, part.sd))
  const mean = cutMean(parts)
  const square = parts.reduce((sum, { weight }, i) => sum + weight * (moments[i]!.variance + moments[i]!.mean ** 2), 0)
  const sd = Math.sqrt(Math.max(0, square - mean * mean))
  return { mean, sd, low: quantile(parts, 0.05, mean, sd), high: quantile(parts, 0.95, mean, sd) }
}

/** Mass of a mixture of normals cut off below 0 that lies above x. */
export function massAbove(parts: readonly WeightedNormal[], x: number): number {
  return parts.reduce((sum, { weight, mean, sd }) => sum + weight * truncatedAbove(mean, sd, x), 0)
}

/** Mean and sd of a mixture of whole normals. */
export function mixture(parts: readonly WeightedNormal[]): { mean: number; sd: number } {
  const mean = parts.reduce((sum, p) => sum + p.weight * p.mean, 0)
  const square = parts.reduce((sum, p) => sum + p.weight * (p.sd ** 2 + p.mean ** 2), 0)
  return { mean, sd: Math.sqrt(Math.max(0, square - mean * mean)) }
}

/** Mass of a mixture of whole normals above x. */
export function mixtureAbove(parts: readonly WeightedNormal[], x: number): number {
  return parts.reduce((sum, { weight, mean, sd }) => sum + weight * cdf((mean - x) / sd), 0)
}

/** Bisection to 2⁻³⁰ of the span, far below a micrometre. */
function quantile(parts: readonly WeightedNormal[], p: number, mean: number, sd: number): number {
  const masses = parts.map((part) => part.weight / cdf(part.mean / part.sd))
  const whole = masses.every((mass) => Number.isFinite(mass) && mass < 1e6)
  const above = (x: number) =>
    whole ? parts.reduce((sum, part, i) => sum + masses[i]! * cdf((part.mean - x) / part.sd), 0) : massAbove(parts, x)
  let [lo, hi] = [0, mean + 8 * sd]
  for (let i = 0; i < 30; i++) {
    const middle = (lo + hi) / 2
    if (above(middle) > 1 - p) lo = middle
    else hi = middle
  }
  return (lo + hi) / 2
}

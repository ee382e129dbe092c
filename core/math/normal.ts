/**
 * The normal distribution cut off below 0, accurate far into the tails.
 */

/** Standard deviations either way that hold 90 % of a normal distribution. */
export const NINETY = 1.645

const ERFC_FIT = [
  -1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587, -0.82215223,
  0.17087277
]

/**
 * exp(x²)·erfc(x) for x ≥ 0 (Chebyshev fit, relative error below 1.2e-7; Press et al., Numerical Recipes, section 6.2).
 */
function erfcx(x: number): number {
  const t = 1 / (1 + x / 2)
  let fit = 0
  for (let i = ERFC_FIT.length - 1; i >= 0; i--) fit = fit * t + ERFC_FIT[i]!
  return t * Math.exp(fit)
}

/** ln Φ(x). */
export function logCdf(x: number): number {
  if (x > 0) return Math.log1p(-0.5 * erfcx(x / Math.SQRT2) * Math.exp((-x * x) / 2))
  return Math.log(0.5 * erfcx(-x / Math.SQRT2)) - (x * x) / 2
}

/** Φ(x). */
export function cdf(x: number): number {
  return x > 0
    ? 1 - 0.5 * erfcx(x / Math.SQRT2) * Math.exp((-x * x) / 2)
    : 0.5 * erfcx(-x / Math.SQRT2) * Math.exp((-x * x) / 2)
}

/** x with Φ(x) = p, to 1e-6 (bisection), between −8 and 8. */
export function quantileOf(p: number): number {
  let [lo, hi] = [-8, 8]
  for (let i = 0; i < 24; i++) {
    const middle = (lo + hi) / 2
    if (cdf(middle) < p) lo = middle
    else hi = middle
  }
  return (lo + hi) / 2
}

/** Mean and variance of N(mean, sd²) cut off below 0. */
export function truncatedMoments(mean: number, sd: number): { mean: number; variance: number } {
  const a = mean / sd
  if (a < -25) return { mean: sd / -a, variance: (sd / a) ** 2 }
  const hazard = Math.exp(-(a * a) / 2 - logCdf(a)) / Math.sqrt(2 * Math.PI)
  return { mean: mean + sd * hazard, variance: Math.max(sd * sd * (1 - hazard * (hazard + a)), 1e-12 * sd * sd) }
}

/** Mass of N(mean, sd²) cut off below 0 that lies above x. */
export function truncatedAbove(mean: number, sd: number, x: number): number {
  if (x <= 0) return 1
  return Math.exp(logCdf((mean - x) / sd) - logCdf(mean / sd))
}

import { choleskySolve, dot } from '../math'
import type { Problem } from './trainProblem'
import type { Solution } from './solve'
import { type Combination, type Normal, residualsAt, targetsOf } from './weigh'

/** sigmas: a reading further off than this does not fit. */
const AT_ODDS = 2.5
/**
 * Sum of squared residuals: readings whose leaving-out helps as much as the best one's, but for this, cannot be told
 * apart.
 */
const ALIKE = 4

/**
 * Which readings are at odds with the rest, each left out in turn (in closed form, under the last linearisation: r_k
 * moves
 * by h_ki·r_i/(1 − h_ii), with H = S·A⁻¹·Sᵀ over what is not held at a bound).
 *
 * A reading is suspect when it misses the estimate by over 2.5 sigma, or when the others predict it that badly and fit
 * each other better without it; one that only surprises the prior is not. Of the suspects those are named whose absence
 * mends the most (several, where they cannot be told apart), and any that still does not fit once the first is left
 * out.
 */
export function readingsAtOdds(problem: Problem, solution: Solution): boolean[] {
  const cases = solution.scored.map((c) => caseOf(problem, solution.normal, c))
  const without = problem.observations.map((_, i) => leftOut(cases, i))
  const suspects = without.map(
    ({ off, eased }, i) => Math.abs(cases[0]!.residuals[i]!) > AT_ODDS || (off > AT_ODDS && eased > AT_ODDS ** 2)
  )
  const least = without.reduce((less, { left }, i) => (suspects[i] ? Math.min(less, left) : less), Infinity)
  const first = without.findIndex(({ left }, i) => suspects[i] && left === least)
  return without.map(
    ({ left }, i) =>
      suspects[i]! && (left <= least + ALIKE || Math.abs(residualWithout(without[first]!.best, first, i)) > AT_ODDS)
  )
}

/** A combination's fit. The hat matrix H has a row for each pair of readings, so it is never written out. */
interface Case {
  combination: Combination
  residuals: number[]
  /** Sum of squared residuals. */
  misfit: number
  /** Whitened slopes s_i over what is not held at a bound, and A⁻¹·s_i. */
  rows: number[][]
  solved: number[][]
  /** Leverages h_ii. */
  own: number[]
  /** Whitened estimate over what is not held; as it is the best fit, Σ s_k·r_k comes to it. */
  estimate: number[]
}

function caseOf(problem: Problem, normal: Normal, combination: Combination): Case {
  const { free, factor, x } = combination.at
  const residuals = residualsAt(normal, targetsOf(problem, normal, combination.teeth), x)
  const rows = normal.slope.map((row) => free.map((i) => row[i]!))
  const solved = rows.map((row) => choleskySolve(factor, row))
  return {
    combination,
    residuals,
    misfit: dot(residuals, residuals),
    rows,
    solved,
    own: rows.map((row, i) => dot(row, solved[i]!)),
    estimate: free.map((i) => x[i]!)
  }
}

/**
 * The estimate without reading i: how badly it predicts i, how much better the others fit, the misfit left in all, and
 * the case that is best then.
 */
function leftOut(cases: readonly Case[], i: number): { off: number; eased: number; left: number; best: Case } {
  const scores = cases.map(
    ({ combination, residuals, own }) => combination.score - residuals[i]! ** 2 / (1 - own[i]!) / 2
  )
  const least = scores.reduce((a, b) => Math.min(a, b))
  const weights = scores.map((score) => Math.exp(least - score))
  const total = weights.reduce((a, b) => a + b, 0)
  const misses = cases.map(({ residuals, own }) => residuals[i]! / (1 - own[i]!))
  const mean = misses.reduce((sum, miss, k) => sum + (weights[k]! / total) * miss, 0)
  const square = cases.reduce(
    (sum, { own }, k) => sum + (weights[k]! / total) * (1 / (1 - own[i]!) + misses[k]! ** 2),
    0
  )
  const best = cases[scores.indexOf(least)]!
  const full = cases[0]!.misfit - cases[0]!.residuals[i]! ** 2
  return {
    off: Math.abs(mean) / Math.sqrt(Math.max(square - mean * mean, 1e-12)),
    eased: full - misfitWithout(best, i),
    left: best.combination.minimum - best.residuals[i]! ** 2 / (1 - best.own[i]!),
    best
  }
}

/** Residual k once reading i is left out. */
function residualWithout({ residuals, rows, solved, own }: Case, i: number, k: number): number {
  return k === i ? 0 : residuals[k]! + (dot(rows[k]!, solved[i]!) * residuals[i]!) / (1 - own[i]!)
}

/**
 * Sum of squared residuals of all others without reading i: Σ r_k·h_ki = estimate·A⁻¹s_i, and Σ h_ki² = h_ii −
 * |A⁻¹s_i|² as A = I + Σ s·sᵀ.
 */
function misfitWithout({ residuals, misfit, solved, own, estimate }: Case, i: number): number {
  const r = residuals[i]!
  const shift = r / (1 - own[i]!)
  const along = dot(estimate, solved[i]!) - r * own[i]!
  const squares = own[i]! - dot(solved[i]!, solved[i]!) - own[i]! ** 2
  return misfit - r * r + 2 * shift * along + shift * shift * squares
}

import { choleskySolve } from './linear'
import type { Problem } from './problem'
import type { Solution } from './solve'
import { residualsAt, targetsOf, type Combination, type Normal } from './weigh'

/** sigmas: a reading further off than this does not fit. */
const AT_ODDS = 2.5
/** Sum of squared residuals: readings whose leaving-out helps as much as the best one's, but for this, cannot be told apart. */
const ALIKE = 4

/**
 * Which readings are at odds with the rest, each left out in turn (in closed form, under the last linearisation).
 *
 * A reading is suspect when it misses the estimate by over 2.5 sigma, or when the others predict it that badly and fit
 * each other better without it; one that only surprises the prior is not. Of the suspects those are named whose absence
 * mends the most (several, where they cannot be told apart), and any that still does not fit once the first is left out.
 */
export function readingsAtOdds(problem: Problem, solution: Solution): boolean[] {
  const { normal, scored } = solution
  const cases = scored.map((c) => caseOf(problem, normal, c))
  const without = problem.observations.map((_, i) => leftOut(cases, i))
  const suspects = without.map(({ off, eased }, i) => Math.abs(cases[0]!.residuals[i]!) > AT_ODDS || (off > AT_ODDS && eased > AT_ODDS ** 2))
  const least = Math.min(...without.filter((_, i) => suspects[i]).map(({ left }) => left))
  const first = without.findIndex(({ left }, i) => suspects[i] && left === least)
  return without.map(({ left }, i) => suspects[i]! && (left <= least + ALIKE || Math.abs(without[first]!.others[i]!) > AT_ODDS))
}

interface Case {
  combination: Combination
  residuals: number[]
  /** How far each residual follows each observation (whitened hat matrix, over what is not held at a bound). */
  hat: number[][]
}

function caseOf(problem: Problem, normal: Normal, combination: Combination): Case {
  const residuals = residualsAt(normal, targetsOf(problem, normal, combination.teeth), combination.at.x)
  const { free, factor } = combination.at
  const rows = normal.slope.map((row) => free.map((i) => row[i]!))
  const hat = rows.map((row) => {
    const solved = choleskySolve(factor, row)
    return rows.map((other) => other.reduce((sum, v, k) => sum + v * solved[k]!, 0))
  })
  return { combination, residuals, hat }
}

/** The estimate without reading i: how badly it predicts i, how much better the others fit, the misfit left in all, and theirs one by one. */
function leftOut(cases: readonly Case[], i: number): { off: number; eased: number; left: number; others: number[] } {
  const scores = cases.map(({ combination, residuals, hat }) => combination.score - residuals[i]! ** 2 / (1 - hat[i]![i]!) / 2)
  const least = Math.min(...scores)
  const weights = scores.map((score) => Math.exp(least - score))
  const total = weights.reduce((a, b) => a + b, 0)
  const misses = cases.map(({ residuals, hat }) => residuals[i]! / (1 - hat[i]![i]!))
  const mean = misses.reduce((sum, miss, k) => sum + (weights[k]! / total) * miss, 0)
  const square = cases.reduce((sum, { hat }, k) => sum + (weights[k]! / total) * (1 / (1 - hat[i]![i]!) + misses[k]! ** 2), 0)
  const best = cases[scores.indexOf(least)]!
  const others = best.residuals.map((r, k) => (k === i ? 0 : r + (best.hat[k]![i]! * best.residuals[i]!) / (1 - best.hat[i]![i]!)))
  const misfit = others.reduce((sum, r) => sum + r * r, 0)
  const full = cases[0]!.residuals.reduce((sum, r, k) => sum + (k === i ? 0 : r * r), 0)
  return { off: Math.abs(mean) / Math.sqrt(Math.max(square - mean * mean, 1e-12)), eased: full - misfit, left: best.combination.minimum - best.residuals[i]! ** 2 / (1 - best.hat[i]![i]!), others }
}

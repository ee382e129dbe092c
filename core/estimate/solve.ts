import type { Priors } from './priors'
import { linearise, type Linearised, type Problem } from './trainProblem'
import { type Truncated, truncatedNormal } from '../math'
import { weighedWithin } from './combinations'
import { type Combination, gradientOf, type Normal, normalEquations, targetsOf, weighJumps } from './weigh'

/** One credible combination of jumps with its posterior. */
export interface Component {
  teeth: number[]
  weight: number
  posterior: Truncated
  near: Linearised
}

/** The posterior of one train: a mixture over the credible combinations of jumps, the likeliest first. */
export interface Solution {
  components: Component[]
  /** Normal equations at the likeliest component, and every combination scored under them. */
  normal: Normal
  scored: Combination[]
  /** `moved`: how far the last step went, in prior widths. */
  status: { converged: boolean; iterations: number; moved: number }
}

const ITERATIONS = 60
/** Steps after which slopes are taken across the posterior's width. */
const KINKED = 7
/** In prior units: far below anything a reading can tell. */
const SETTLED = 1e-4
/**
 * Scores (½·minimum) this far behind the best decide nothing, even with a reading left out: one reading a tooth off
 * costs about 90.
 */
const HOPELESS = 200
/** Components with less weight than this change no figure that is shown. */
const CREDIBLE = 1e-3

/**
 * Gauss–Newton about the posterior mean, for each credible combination of jumps: linearise, score every combination,
 * refine the best, score again there, refine those that remain credible.
 */
export function solve(problem: Problem, priors: Priors): Solution {
  const start = problem.scale.map((_, i) => (problem.bounded[i] ? 0.8 : 0))
  let scored = weighedWithin(problem, normalEquations(problem, linearise(problem, start)), priors, 0)
  let best = refine(problem, scored[0]!.teeth, start)
  let normal!: Normal
  for (let round = 0; round < 4; round++) {
    normal = normalEquations(problem, best.near)
    scored = weighedWithin(problem, normal, priors, HOPELESS)
    if (same(scored[0]!.teeth, best.teeth)) break
    best = refine(problem, scored[0]!.teeth, best.posterior.mean)
  }
  const credible = scored.filter((c) => Math.exp(scored[0]!.score - c.score) > CREDIBLE)
  const parts = credible.map((c) => {
    const part = same(c.teeth, best.teeth) ? best : refine(problem, c.teeth, best.posterior.mean)
    return { ...part, score: weighJumps(problem, normalEquations(problem, part.near), c.teeth, priors).score }
  })
  const least = Math.min(...parts.map((p) => p.score))
  const total = parts.reduce((sum, p) => sum + Math.exp(least - p.score), 0)
  const components = parts
    .map(({ teeth, posterior, near, score }) => ({ teeth, posterior, near, weight: Math.exp(least - score) / total }))
    .sort((a, b) => b.weight - a.weight)
  return { components, normal, scored, status: statusOf(best) }
}

interface Refined {
  teeth: number[]
  posterior: Truncated
  near: Linearised
  iterations: number
  moved: number
}

/**
 * The posterior of one combination, linearised about its own mean. Near the end of the arm's reach the extension has a
 * kink and the steps may not settle: after a few, slopes are taken across the posterior's width, which smooths it.
 */
function refine(problem: Problem, teeth: readonly number[], start: readonly number[]): Refined {
  let point = start.slice()
  let width: number[] | undefined
  for (let iteration = 1; ; iteration++) {
    const near = linearise(problem, point, width)
    const normal = normalEquations(problem, near)
    const posterior = truncatedNormal(normal.a, gradientOf(normal, targetsOf(problem, normal, teeth)), problem.bounded)
    const moved = Math.max(...posterior.mean.map((m, i) => Math.abs(m - point[i]!)))
    if (moved < SETTLED || iteration === ITERATIONS)
      return { teeth: teeth.slice(), posterior, near, iterations: iteration, moved }
    if (iteration === KINKED) width = posterior.covariance.map((row, i) => Math.sqrt(row[i]!))
    const damping = iteration < KINKED ? 1 : 0.5
    point = point.map((p, i) => p + damping * (posterior.mean[i]! - p))
  }
}

function statusOf({ iterations, moved }: Refined): Solution['status'] {
  return { converged: moved < SETTLED, iterations, moved }
}

function same(a: readonly number[], b: readonly number[]): boolean {
  return a.every((v, i) => v === b[i])
}

import { cholesky, choleskySolve, dot, JUMPS, type Matrix } from '../math'
import type { Priors } from './priors'
import type { Problem } from './trainProblem'
import { type Combination, logPrior, type Normal, weighJumps } from './weigh'

/** Combinations kept at the most: far more than ever stay credible or explain a reading left out. */
const MOST = 60

/**
 * The combinations of jumps whose score is within `within` of the best, the best first; at most MOST of them. A cam
 * that no reading bears on stays at 0: its prior is reported as it is.
 *
 * Letting wears go below 0 can only lower a combination's minimum, and then it is a quadratic in its teeth j: |r − Tj|²
 * in the metric that the wears leave over, M = I − S·A⁻¹·Sᵀ. With TᵀMT = LLᵀ it is least + |Lᵀ(j − centre)|², a sum of
 * squares that grows cam by cam, so whole branches fall away without being looked at (sphere decoding; U. Fincke and M.
 * Pohst, Improved methods for calculating vectors of short length in a lattice, 1985). What is left is weighed with the
 * bounds.
 */
export function weighedWithin(problem: Problem, normal: Normal, priors: Priors, within: number): Combination[] {
  const kept: Combination[] = []
  const reach = () =>
    Math.min((kept[0]?.score ?? Infinity) + within, kept.length < MOST ? Infinity : kept.at(-1)!.score)
  descend(latticeOf(problem, normal), priors, reach, (teeth) => {
    const combination = weighJumps(problem, normal, teeth, priors)
    const place = kept.findIndex(({ score }) => score > combination.score)
    kept.splice(place < 0 ? kept.length : place, 0, combination)
    if (kept.length > MOST) kept.pop()
  })
  return kept.filter(({ score }) => score <= kept[0]!.score + within)
}

/** The quadratic in the teeth that readings bear on. */
interface Lattice {
  cams: number
  /** Places of those cams. */
  told: number[]
  lower: Matrix
  centre: number[]
  least: number
}

/** Keeps the quadratic positive definite where one cam's teeth can be made up for by others'. */
const RIDGE = 1e-9

function latticeOf({ observations, cams }: Problem, normal: Normal): Lattice {
  const told = cams.map((_, cam) => cam).filter((cam) => observations.some((o) => o.teeth[cam] !== 0))
  const columns = told.map((cam) => observations.map((o) => o.teeth[cam]! / o.sigma))
  const factor = cholesky(
    normal.a,
    normal.a.map((_, i) => i)
  )
  const projected = (v: readonly number[]) => {
    const solved = choleskySolve(
      factor,
      normal.a.map((_, i) => normal.slope.reduce((sum, row, k) => sum + row[i]! * v[k]!, 0))
    )
    return v.map((x, k) => x - dot(normal.slope[k]!, solved))
  }
  const images = columns.map(projected)
  const lower = cholesky(
    images.map((image, i) => columns.map((column, k) => dot(column, image) + (i === k ? RIDGE : 0))),
    told.map((_, i) => i)
  )
  const pull = images.map((image) => dot(image, normal.free))
  const centre = choleskySolve(lower, pull)
  return { cams: cams.length, told, lower, centre, least: dot(projected(normal.free), normal.free) - dot(centre, pull) }
}

/** Calls `found` with every combination that may lie within reach, nearest teeth first, cam by cam from the last. */
function descend(
  { cams, told, lower, centre, least }: Lattice,
  priors: Priors,
  reach: () => number,
  found: (teeth: number[]) => void
): void {
  const still = logPrior([0], priors)
  const teeth = new Array<number>(cams).fill(0)
  const into = (level: number, sum: number, prior: number) => {
    if (level < 0) return found(teeth.slice())
    let later = 0
    for (let k = level + 1; k < told.length; k++) later += lower[k]![level]! * (teeth[told[k]!]! - centre[k]!)
    const options = JUMPS.map((tooth) => ({
      tooth,
      sum: sum + (later + lower[level]![level]! * (tooth - centre[level]!)) ** 2
    }))
    for (const option of options.sort((a, b) => a.sum - b.sum)) {
      const odds = prior + logPrior([option.tooth], priors) - still
      if (option.sum / 2 - odds > reach()) continue
      teeth[told[level]!] = option.tooth
      into(level - 1, option.sum, odds)
    }
    teeth[told[level]!] = 0
  }
  into(told.length - 1, least, cams * still)
}

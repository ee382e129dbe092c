import { dot } from '../math'
import { isAlone } from './alone'
import { type Slip, takenAs } from './hypotheses'
import { seen } from './marginals'
import type { Observation } from './observation'
import { handAt, type Problem } from './trainProblem'
import { type Component, type Solution, toldBy } from './solve'
import type { ReadingEstimate } from './types'
import type { WrongWay } from './ways'

/** From these odds a reading is said to be wrong. */
export const WRONG = 0.5
/** Readings of which some are wrong beyond doubt, and none of them surely: from these odds each is named. */
const SOME = { all: 0.1, each: 0.25 }
/** Odds below which no way of being wrong is named. */
const NAMED = 0.1
/** Odds of being wrong of a reading that no credible story has wrong, at the most. */
const UNNAMED = 0.05
/** sigmas that a reading may miss what the others say by, when no story makes it wrong. */
const FITS = 3.5
/** What others say of a wear is what is usual: a figure of its own may lie anywhere. */
const FIT: readonly string[] = ['lag', 'extension', 'count', 'elongation']
/** Readings that nothing else bears on are doubted no further than this. */
const ALONE = 0.49

/** What the estimate says of each reading: what it should show, and how likely it is wrong, and how. */
export function readingEstimates(problem: Problem, solution: Solution): ReadingEstimate[] {
  const best = solution.components[0]!
  const told = toldBy(problem, best)
  const slipped = new Set(solution.components.flatMap(({ slips }) => slips.map(({ observation }) => observation)))
  const isRead = ({ observation }: Slip) => observation < problem.read
  const sound = solution.components.reduce((sum, { slips, weight }) => sum + (slips.some(isRead) ? 0 : weight), 0)
  return problem.observations.slice(0, problem.read).map((one, k) => {
    const others = predictedWithout(told, best, k)
    const ways = slipped.has(k) ? weighWays(solution, k, one) : waysBeside(one, others)
    const total = ways.reduce((sum, { odds }) => sum + odds, 0)
    const wrong = Math.min(total, mostWrong(problem, one, slipped.has(k)))
    const [likely] = ways.sort((a, b) => b.odds - a.odds)
    const named = wrong >= NAMED && likely ? likely : null
    const predicted = predictionAt(told, best, k)
    const isSlipped = best.slips.some(({ observation }) => observation === k)
    const misses = Math.abs(one.value - others.mean) / Math.hypot(one.sigma, others.sd)
    return {
      id: one.reading?.id ?? '',
      predicted,
      residual: (one.value - predicted) / one.whole,
      sigma: one.whole,
      wrong,
      wrongAs: named?.as ?? null,
      wouldRead: named ? (named.as === 'far-off' ? others.mean : shownValue(one, named.value)) : null,
      atOdds:
        wrong > WRONG ||
        (sound < SOME.all && wrong > SOME.each) ||
        (!isSlipped && misses > FITS && FIT.includes(one.quantity.of) && !isAlone(problem.observations, one))
    }
  })
}

/** Odds that a reading is doubted to at the most. */
function mostWrong({ observations }: Problem, one: Observation, isSlipped: boolean): number {
  if (!isSlipped) return UNNAMED
  return isAlone(observations, one) && one.wrong < WRONG ? ALONE : 1
}

/** A value in the reading's own frame: with the offset key that its observation is without. */
function shownValue({ reading, value }: Observation, corrected: number): number {
  return reading?.kind === 'camLag' ? corrected + (reading.value - value) : corrected
}

/** What a reading should show under a story, without its hand. */
export function predictionAt(told: Problem, { near, teeth }: Component, k: number): number {
  const one = told.observations[k]!
  return near.predicted[k]! - handAt(told, one, near.point) + dot(one.teeth, teeth)
}

interface Predicted {
  mean: number
  sd: number
}

/** What all other readings predict for one under a story, its hand's share among what they do not know. */
export function predictedWithout(told: Problem, { near, posterior, teeth }: Component, k: number): Predicted {
  const { value, sigma, teeth: per } = told.observations[k]!
  const slope = near.slope[k]!
  const along = seen(posterior.covariance, slope)
  const mean = slope.reduce(
    (sum, s, i) => sum + s * (posterior.mean[i]! - near.point[i]!),
    near.predicted[k]! + dot(per, teeth)
  )
  const share = Math.min(dot(slope, along) / sigma ** 2, 1 - 1e-9)
  return { mean: value - (value - mean) / (1 - share), sd: sigma * Math.sqrt(share / (1 - share)) }
}

interface WeighedWay {
  as: WrongWay
  odds: number
  value: number
}

/** The ways in which the credible stories have a reading wrong. */
function weighWays({ components }: Solution, k: number, { ways }: Observation): WeighedWay[] {
  const odds = ways.map(() => 0)
  for (const { weight, slips } of components) {
    for (const { observation, way } of slips) if (observation === k) odds[way]! += weight
  }
  return ways.flatMap(({ as, value }, way) => (as === 'moved' ? [] : [{ as, value, odds: odds[way]! }]))
}

/** The same of a reading that no credible story has wrong: each way against what the others predict. */
function waysBeside(one: Observation, { mean, sd }: Predicted): WeighedWay[] {
  const likely = (value: number, spread: number) => Math.exp(-(((value - mean) / spread) ** 2) / 2) / spread
  const right = (1 - one.wrong) * likely(one.value, Math.hypot(one.sigma, sd))
  const each = one.ways.flatMap(({ as, ...way }, place) => {
    const { value, sigma } = takenAs(one, place)
    return as === 'moved'
      ? []
      : [{ as, value, odds: one.wrong * way.share * way.times * likely(value, Math.hypot(sigma, sd)) }]
  })
  const total = each.reduce((sum, { odds }) => sum + odds, right)
  return total > 0 ? each.map((way) => ({ ...way, odds: way.odds / total })) : []
}

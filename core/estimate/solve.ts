import { boundedNormal, dot, type Truncated, widePrecision } from '../math'
import { type Hypothesis, likelyStories, logSlip, takenAs } from './hypotheses'
import type { Priors } from './priors'
import { withoutSeats } from './seats'
import { linearise, type Linearised, type Problem } from './trainProblem'
import { gradientOf, logPrior, normalEquations, residualsAt, targetsOf } from './weigh'

/** One credible story with its posterior. */
export interface Component extends Hypothesis {
  weight: number
  posterior: Truncated
  near: Linearised
  /** ln of how well it explains the readings, with its prior odds; only differences mean anything. */
  evidence: number
}

/** The posterior of one train: a mixture over the credible stories, the likeliest first. */
export interface Solution {
  components: Component[]
  /** `moved`: how far the last step went, in prior widths. */
  status: { converged: boolean; iterations: number; moved: number }
}

const ITERATIONS = 60
/** Steps after which slopes are taken across the posterior's width. */
const KINKED = 7
/** In prior units: far below anything a reading can tell. */
const SETTLED = 1e-3
/** Stories with less weight than this change no figure that is shown. */
const CREDIBLE = 1e-3
/** Stories with less weight than this keep the slopes of the likeliest. */
const OWN_SLOPES = 0.02
/** Times that the stories are looked for again once the likeliest is solved. */
const ROUNDS = 3

/**
 * Gauss–Newton about the posterior mean of the likeliest story: linearise, look for stories, solve the best, look again
 * there; then every credible story with its own posterior, weighed by its evidence.
 */
export function solve(problem: Problem, priors: Priors): Solution {
  const start = linearise(
    problem,
    problem.bounded.map((prior) => (prior ? 0.8 : 0))
  )
  let stories = weighStories(problem, start, priors)
  let best = refine(problem, stories[0]!, start.point, start)
  for (let round = 1; round < ROUNDS; round++) {
    stories = weighStories(problem, best.near, priors)
    if (isSame(stories[0]!, best)) break
    best = refine(problem, stories[0]!, best.posterior.mean, best.near)
  }
  const components = credible(stories).map((part) => {
    if (isSame(part, best) || part.weight < OWN_SLOPES) return part
    return solveStory(problem, part, part.posterior.mean, priors)
  })
  const { iterations, moved } = best
  return { components: credible(components), status: { converged: moved < SETTLED, iterations, moved } }
}

/** The stories that may explain the readings, each weighed under one linearisation; the one of most evidence first. */
function weighStories(problem: Problem, near: Linearised, priors: Priors): Component[] {
  const weighed = likelyStories(problem, near, priors).map((story) => weighStory(problem, near, story, priors))
  return weighed.sort((a, b) => b.evidence - a.evidence)
}

/** Stories by weight, the likeliest first, without those that nothing speaks for. */
function credible(parts: readonly Component[]): Component[] {
  const most = Math.max(...parts.map(({ evidence }) => evidence))
  const kept = parts.filter(({ evidence }) => Math.exp(evidence - most) > CREDIBLE)
  const total = kept.reduce((sum, { evidence }) => sum + Math.exp(evidence - most), 0)
  return kept
    .map((part) => ({ ...part, weight: Math.exp(part.evidence - most) / total }))
    .sort((a, b) => b.weight - a.weight)
}

/** A problem whose readings say what they would under a story. */
export function toldBy(problem: Problem, { slips }: Hypothesis): Problem {
  if (slips.length === 0) return problem
  const observations = problem.observations.slice()
  for (const { observation, way } of slips) {
    const one = observations[observation]!
    const { value, sigma } = takenAs(one, way)
    observations[observation] = { ...one, value, sigma }
  }
  return { ...problem, observations }
}

/** One story's posterior, linearised about its own mean. @param start near it, in prior units */
export function solveStory(problem: Problem, story: Hypothesis, start: readonly number[], priors: Priors): Component {
  return weighStory(problem, refine(problem, story, start).near, story, priors)
}

/** A story's posterior under one linearisation, and ln of its evidence with its prior odds. */
export function weighStory(problem: Problem, near: Linearised, story: Hypothesis, priors: Priors): Component {
  const { posterior, targets } = posteriorAt(toldBy(problem, story), near, story.teeth)
  const slips = new Map(story.slips.map((slip) => [slip.observation, slip]))
  let evidence = posterior.logMass - dot(targets, targets) / 2 + logPrior(story.teeth, priors)
  problem.observations.forEach((one, k) => {
    const slip = slips.get(k)
    evidence += slip
      ? logSlip(problem.observations, slip) - Math.log(takenAs(one, slip.way).own)
      : Math.log1p(-one.wrong) - Math.log(one.sigma)
  })
  return { teeth: story.teeth, slips: story.slips, weight: 0, posterior, near, evidence }
}

/** The posterior of a problem under one linearisation, and what its readings say there, in sigmas. */
function posteriorAt(
  told: Problem,
  near: Linearised,
  teeth: readonly number[]
): { posterior: Truncated; targets: number[] } {
  const normal = normalEquations(told, near, widest(told))
  const { floors } = told
  const free = targetsOf(told, normal, teeth)
  const targets = floors ? residualsAt(normal, free, floors) : free
  const posterior = boundedNormal(normal.a, gradientOf(normal, targets), told.bounded)
  if (floors) posterior.mean = posterior.mean.map((m, i) => m + floors[i]!)
  return { posterior, targets }
}

/** Precision of each unknown's widest prior, in prior units. */
function widest({ bounded, observations }: Problem): number[] {
  return withoutSeats(
    bounded.map((prior) => (prior ? widePrecision(prior) : 1)),
    observations
  )
}

interface Refined extends Hypothesis {
  posterior: Truncated
  near: Linearised
  iterations: number
  moved: number
}

/**
 * The posterior of one story, linearised about its own mean. Near the end of the arm's reach the extension has a
 * kink and the steps may not settle: after a few, slopes are taken across the posterior's width, which smooths it.
 * @param known the linearisation at `start`, where there is one
 */
function refine(
  problem: Problem,
  { teeth, slips }: Hypothesis,
  start: readonly number[],
  known: Linearised | null = null
): Refined {
  const told = toldBy(problem, { teeth, slips })
  let point = start.slice()
  let width: number[] | undefined
  let near = known
  for (let iteration = 1; ; iteration++) {
    near ??= linearise(told, point, width)
    const { posterior } = posteriorAt(told, near, teeth)
    const from = near.point
    const moved = Math.max(...posterior.mean.map((m, i) => Math.abs(m - from[i]!)))
    if (moved < SETTLED || iteration === ITERATIONS)
      return { teeth, slips, posterior, near, iterations: iteration, moved }
    if (iteration === KINKED) width = posterior.covariance.map((row, i) => Math.sqrt(row[i]!))
    const damping = iteration < KINKED ? 1 : 0.5
    point = from.map((p, i) => p + damping * (posterior.mean[i]! - p))
    near = null
  }
}

function isSame(a: Hypothesis, b: Hypothesis): boolean {
  return (
    a.teeth.every((v, i) => v === b.teeth[i]) &&
    a.slips.length === b.slips.length &&
    a.slips.every(({ observation, way }, i) => observation === b.slips[i]!.observation && way === b.slips[i]!.way)
  )
}

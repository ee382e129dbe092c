import { cholesky, choleskySolve, dot, widePrecision } from '../math'
import { weighedWithin } from './combinations'
import type { Observation } from './observation'
import type { Priors } from './priors'
import { withoutSeats } from './seats'
import type { Linearised, Problem } from './trainProblem'
import { type Combination, type Normal, normalEquations, residualsAt, targetsOf } from './weigh'

/** A reading taken wrongly, and how: places in the train's observations and in its ways. */
export interface Slip {
  observation: number
  way: number
}

/** One story of a train: whole teeth jumped on each cam, and readings that are wrong. */
export interface Hypothesis {
  teeth: readonly number[]
  slips: readonly Slip[]
}

/** A hypothesis with ln of its odds, as far as a plain normal distribution tells. */
export interface Rated extends Hypothesis {
  odds: number
}

/** Readings of a train that may be wrong at once. */
const MOST_SLIPS = 2
/** ln: stories this far behind the best are dropped before they are weighed for good. */
const BEHIND = 9
/** ln: combinations of teeth this close to the best say which readings may be wrong. */
const CLOSE = 7
/** Combinations of teeth looked at for each set of readings that may be wrong. */
const MOST_COMBINATIONS = 8
/** sigmas: a reading that the others predict better than this is not suspected. */
const SUSPECT = 1.8
/** Readings suspected at once, and stories that go on to be weighed. */
const MOST_SUSPECTS = 40
const MOST_STORIES = 16
/** Sets of wrong readings that further ones are looked for beside. */
const MOST_SETS = 5

/**
 * The stories that may explain a train's readings, the likeliest first: whole teeth jumped, and up to two readings
 * wrong. Readings are set aside one after another; what the others then predict for them weighs each way in which they
 * may be wrong, so that no way needs a solution of its own.
 */
export function likelyStories(problem: Problem, near: Linearised, priors: Priors): Rated[] {
  const normal = normalEquations(problem, near, precisionOf(problem))
  const found: Rated[] = []
  let sets: number[][] = [[]]
  for (let size = 0; size <= MOST_SLIPS && sets.length > 0; size++) {
    const looked = sets.map((set) => lookAside(problem, normal, priors, set))
    for (const { stories } of looked) found.push(...stories)
    const best = looked.sort((a, b) => b.most - a.most).slice(0, MOST_SETS)
    const next = best.flatMap(({ set, suspects }) => suspects.map((k) => [...set, k].sort((a, b) => a - b)))
    sets = [...new Map(next.map((set) => [set.join(), set])).values()]
  }
  found.sort((a, b) => b.odds - a.odds)
  return found.filter(({ odds }) => odds > found[0]!.odds - BEHIND).slice(0, MOST_STORIES)
}

/** Wears that were read by themselves may be anything; the others are as usual. */
function precisionOf({ bounded, observations, parts }: Problem): number[] {
  const precision = bounded.map(() => 1)
  for (const { quantity } of observations) {
    if (quantity.of !== 'wear' && quantity.of !== 'padWear' && quantity.of !== 'elongation') continue
    const { at } = parts[quantity.part]!
    const i = quantity.of === 'wear' ? at.wear + quantity.rail : at[quantity.of]
    precision[i] = widePrecision(bounded[i] ?? [])
  }
  return withoutSeats(precision, observations)
}

interface Aside {
  set: number[]
  stories: Rated[]
  /** Greatest odds among them. */
  most: number
  /** Readings that may be wrong beside these. */
  suspects: number[]
}

/** What is likely when a set of readings is set aside, and how each of them may be wrong then. */
function lookAside(problem: Problem, normal: Normal, priors: Priors, set: number[]): Aside {
  const rest = setAside(problem, normal, set)
  const combinations = weighedWithin(rest.problem, rest.normal, priors, BEHIND).slice(0, MOST_COMBINATIONS)
  const stories = combinations.flatMap((combination) => rate(problem, normal, combination, set))
  const most = stories.reduce((greatest, { odds }) => Math.max(greatest, odds), -Infinity)
  const suspects = set.length < MOST_SLIPS ? suspectsOf(rest, combinations, set) : []
  return { set, stories, most, suspects }
}

interface Rest {
  problem: Problem
  normal: Normal
}

/** A problem as if some of its readings had not been taken; they keep their places. */
function setAside(problem: Problem, normal: Normal, set: readonly number[]): Rest {
  if (set.length === 0) return { problem, normal }
  const out = new Set(set)
  const nothing = normal.a.map(() => 0)
  const a = normal.a.map((row) => row.slice())
  for (const k of set) {
    const row = normal.slope[k]!
    row.forEach((s, i) => row.forEach((t, j) => (a[i]![j]! -= s * t)))
  }
  return {
    problem: {
      ...problem,
      observations: problem.observations.map((one, k) => (out.has(k) ? { ...one, teeth: one.teeth.map(() => 0) } : one))
    },
    normal: {
      a,
      free: normal.free.map((free, k) => (out.has(k) ? 0 : free)),
      slope: normal.slope.map((row, k) => (out.has(k) ? nothing : row))
    }
  }
}

/** ln odds of everything but the set under one combination, times what each way of the set's readings adds. */
function rate(problem: Problem, normal: Normal, { teeth, score, at }: Combination, set: readonly number[]): Rated[] {
  let basis = -score
  at.factor.forEach((row, i) => (basis -= Math.log(row[i]!)))
  problem.observations.forEach(({ sigma, wrong }, k) => {
    if (!set.includes(k)) basis += Math.log1p(-wrong) - Math.log(sigma)
  })
  if (set.length === 0) return [{ teeth, slips: [], odds: basis }]
  const sigmas = set.map((k) => problem.observations[k]!.sigma)
  const rows = set.map((k, s) => at.free.map((i) => normal.slope[k]![i]! * sigmas[s]!))
  const solved = rows.map((row) => choleskySolve(at.factor, row))
  const spread = rows.map((row) => solved.map((s) => dot(row, s)))
  const predicted = set.map((k, s) => {
    const { value, teeth: per } = problem.observations[k]!
    return value - (normal.free[k]! - dot(normal.slope[k]!, at.x)) * sigmas[s]! + dot(per, teeth)
  })
  return waysTogether(problem, set).map((slips) => ({
    teeth,
    slips,
    odds: basis + predictive(problem, slips, predicted, spread)
  }))
}

/** Every way of each reading of a set with every way of the others. */
function waysTogether({ observations }: Problem, set: readonly number[]): Slip[][] {
  return set.reduce<Slip[][]>(
    (sets, k) => sets.flatMap((slips) => observations[k]!.ways.map((_, way) => [...slips, { observation: k, way }])),
    [[]]
  )
}

/** ln of the odds of these slips and of what they make their readings say, given what the others predict. */
function predictive(
  { observations }: Problem,
  slips: readonly Slip[],
  predicted: readonly number[],
  spread: readonly (readonly number[])[]
): number {
  const taken = slips.map((slip) => takenAs(observations[slip.observation]!, slip.way))
  const covariance = spread.map((row, i) => row.map((s, j) => s + (i === j ? taken[i]!.sigma ** 2 : 0)))
  const lower = cholesky(
    covariance,
    slips.map((_, i) => i)
  )
  const misses = taken.map(({ value }, i) => value - predicted[i]!)
  return slips.reduce(
    (sum, slip, i) => {
      const { sigma, own } = taken[i]!
      return sum + logSlip(observations, slip) + Math.log(sigma / own) - Math.log(lower[i]![i]!)
    },
    -dot(misses, choleskySolve(lower, misses)) / 2
  )
}

/** ln of the prior odds that a reading is wrong in this way. */
export function logSlip(observations: readonly Observation[], { observation, way }: Slip): number {
  const { wrong, ways } = observations[observation]!
  return Math.log(wrong * ways[way]!.share)
}

/** What a reading says when it is wrong in a way: its value and sigma, and that sigma in the unit it was read in. */
export function takenAs({ sigma, ways }: Observation, way: number): { value: number; sigma: number; own: number } {
  const { value, times, spread, sigma: fixed } = ways[way]!
  const as = fixed ?? Math.hypot(sigma * times, spread)
  return { value, sigma: as, own: as / times }
}

/**
 * Readings that may be wrong beside those set aside: what some likely combination misses, or where a tooth jumped may
 * as well be a wrong mark.
 */
function suspectsOf({ problem, normal }: Rest, combinations: readonly Combination[], set: readonly number[]): number[] {
  const off = problem.observations.map(() => 0)
  const close = combinations.filter(({ score }) => score < combinations[0]!.score + CLOSE)
  const jumped = close.some(({ teeth }) => teeth.some((t) => t !== 0))
  for (const { teeth, at } of close) {
    const residuals = residualsAt(normal, targetsOf(problem, normal, teeth), at.x)
    residuals.forEach((residual, k) => {
      const row = at.free.map((i) => normal.slope[k]![i]!)
      const left = 1 - dot(row, choleskySolve(at.factor, row))
      off[k] = Math.max(off[k]!, Math.abs(residual) / Math.sqrt(Math.max(left, 1e-6)))
    })
  }
  return problem.observations
    .map(({ ways, wrong, teeth }, k) => ({
      k,
      is:
        ways.length > 0 &&
        !set.includes(k) &&
        (off[k]! > SUSPECT || wrong > 0.5 || (jumped && teeth.some((t) => t !== 0)))
    }))
    .filter(({ is }) => is)
    .map(({ k }) => k)
    .sort((a, b) => off[b]! - off[a]!)
    .slice(0, MOST_SUSPECTS)
}

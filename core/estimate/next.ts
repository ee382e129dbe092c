import { cdf, dot, groupBy, logCdf, NODES, truncatedAbove, truncatedMoments } from '../math'
import type { Reading } from '../readings'
import type { DriveSheet } from '../sheet'
import { type Candidate, candidatesOf } from './candidates'
import { type Decision, decisionsOf, leverOf, lossNow, oddsOf } from './decisions'
import { normalAlong, seen } from './marginals'
import { playsOf } from './plays'
import type { Priors } from './priors'
import type { Component, Solution } from './solve'
import { lossOf, type Stakes } from './stakes'
import { predictionOf, type Problem } from './trainProblem'
import { type RankedReading, type ReadingEstimate, savingMost } from './types'

/** Stories with less weight than this do not change what is worth reading. */
const WEIGHTY = 0.005
/** A fraction of a decision's loss below this is not worth a word. */
const WORTH = 0.02

/** What deciding now costs, and what may be read first. */
export interface Choice {
  loss: number
  next: RankedReading[]
}

/**
 * Readings of a train not yet taken and questions not yet asked, each by the method that saves most per minute.
 * Deciding now is expected to cost Σ min(renewing a sound part, keeping a worn one); what a reading saves of that is
 * averaged over what it may show: a normal for each credible story, at its Gauss–Hermite nodes, with the stories' odds
 * and every decision's mean and variance as they would be then.
 */
export function nextReadings(
  sheet: DriveSheet,
  problem: Problem,
  solution: Solution,
  taken: readonly Reading[],
  estimated: readonly ReadingEstimate[],
  priors: Priors,
  stakes: Stakes
): Choice {
  const weighty = solution.components.filter(({ weight }, i) => i === 0 || weight > WEIGHTY)
  const total = weighty.reduce((sum, { weight }) => sum + weight, 0)
  const components = weighty.map((one) => ({ ...one, weight: one.weight / total }))
  const decisions = decisionsOf(sheet, problem, { ...solution, components }, stakes)
  const weights = components.map(({ weight }) => weight)
  const losses = decisions.map((decision) => lossNow(decision, weights))
  const untold = untoldJumps(problem, priors, stakes)
  const plays = playsOf(sheet, problem, taken, priors, stakes)
  const loss = [...losses, ...untold.map(({ loss: l }) => l), plays.loss].reduce((sum, l) => sum + l, 0)
  const view = { problem, components, decisions, losses, untold, priors, weights }
  const things = groupBy(candidatesOf(problem, taken, estimated), ({ kind, target, from = '', to = '', of = '' }) =>
    [kind, target, from, to, of].join(' ')
  )
  return { loss, next: [...[...things.values()].map((methods) => bestMethod(view, methods)), ...plays.next] }
}

/**
 * Of the methods to read one thing the one that saves most per minute. A finer one saves no less than a coarser, so
 * what the finest saves says of the others which need not be looked at.
 */
function bestMethod(view: View, methods: readonly Candidate[]): RankedReading {
  const [finest, ...others] = [...methods].sort((a, b) => a.sigma - b.sigma || a.minutes - b.minutes)
  let best = nextOf(view, finest!)
  const most = best.worth
  for (const method of others.sort((a, b) => a.minutes - b.minutes)) {
    if (most / method.minutes <= best.worth / best.minutes) continue
    const one = nextOf(view, method)
    if (savingMost(one, best) < 0) best = one
  }
  return best
}

interface View {
  problem: Problem
  components: readonly Component[]
  decisions: readonly Decision[]
  losses: readonly number[]
  untold: readonly UntoldJump[]
  priors: Priors
  weights: readonly number[]
}

/** A cam that nothing was read on. */
interface UntoldJump {
  cam: number
  part: string
  odds: number
  stake: { renewed: number; kept: number }
  loss: number
}

function untoldJumps({ cams, observations }: Problem, priors: Priors, stakes: Stakes): UntoldJump[] {
  return cams.flatMap(({ id }, cam): UntoldJump[] => {
    if (observations.some(({ teeth }) => teeth[cam] !== 0)) return []
    const odds = 1 - priors.jump[0]!
    const stake = stakes.of(id, 'jump')
    return [{ cam, part: id, odds, stake, loss: lossOf(stake, odds) }]
  })
}

/** One story as a candidate sees it: what it predicts, and how each decision stands in it. */
interface Seen {
  weight: number
  mean: number
  variance: number
  /** By decision: where it stands, in its sd once the candidate is read, and how far the reading's unit moves that. */
  told: { at: number; moved: number }[]
  /** Of what is read directly: a normal whose part above 0 it is, in the reading's unit, and the reading's sigma. */
  direct: Direct | null
  /** Which of the untold cams have jumped in it. */
  jumped: readonly number[]
}

interface Direct {
  mean: number
  sd: number
  sigma: number
  /** Decision that is about it, and its limit in the reading's unit. */
  decision: number
  limit: number
  /** ln of the mass above 0. */
  above: number
  /** What it reads at 0. */
  shift: number
}

function nextOf(view: View, candidate: Candidate): RankedReading {
  const { problem, decisions, losses, untold, components, weights } = view
  const stories = components.flatMap((component, k) => storiesOf(view, candidate, component, k))
  const mine = untold.filter(({ cam }) => candidate.teeth[cam] !== 0)
  const left = decisions.map(() => 0)
  const leftUntold = mine.map(() => 0)
  for (const { weight, mean, variance } of stories) {
    const spread = Math.sqrt(variance)
    for (const [node, share] of NODES) {
      const at = weighAt(stories, mean + spread * node)
      for (let d = 0; d < decisions.length; d++)
        left[d]! += weight * share * lossOf(decisions[d]!.stake, oddsAfter(stories, at, d))
      mine.forEach(({ cam, stake }, u) => {
        const odds = stories.reduce((sum, { jumped }, k) => sum + (jumped.includes(cam) ? at.weights[k]! : 0), 0)
        leftUntold[u]! += weight * share * lossOf(stake, odds)
      })
    }
  }
  const settles = [
    ...decisions.map((decision, d) => ({
      part: decision.part,
      odds: oddsOf(decision, weights),
      saved: Math.max(0, losses[d]! - left[d]!),
      cut: losses[d]! > 1e-12 ? Math.max(0, 1 - left[d]! / losses[d]!) : 0
    })),
    ...mine.map(({ part, odds, loss }, u) => ({
      part,
      odds,
      saved: Math.max(0, loss - leftUntold[u]!),
      cut: loss > 0 ? Math.max(0, 1 - leftUntold[u]! / loss) : 0
    }))
  ].sort((a, b) => b.saved - a.saved)
  const { kind, target, from, to, of, method, minutes, again } = candidate
  return {
    kind,
    target,
    ...(from && to ? { from, to } : {}),
    ...(of ? { of } : {}),
    ...(method ? { method } : {}),
    ...(again ? { again } : {}),
    chain: problem.parts[candidate.part]!.chain.id,
    gain: 0,
    worth: settles.reduce((sum, { saved }) => sum + saved, 0),
    narrows: narrowing(view, candidate),
    settles: settles
      .filter(({ cut, saved }) => cut >= WORTH && saved > 0)
      .map(({ part, odds, cut, saved }) => ({ part, odds, cut, saved })),
    minutes
  }
}

/** A decision in a story: how far in it is, in its sd, and how far a reading moves it. */
interface Lever {
  z: number
  sd: number
  lever: number
}

/** A decision once a reading of this variance is taken. */
function toldBy({ z, sd, lever }: Lever, variance: number): Seen['told'][number] {
  const left = Math.sqrt(Math.max(sd * sd - (lever * lever) / variance, 1e-12 * sd * sd))
  return { at: (z * sd) / left, moved: lever / variance / left }
}

/** A story's prediction of a candidate: one for each way that cams nothing was read on may have jumped. */
function storiesOf(
  { problem, decisions, untold, priors }: View,
  candidate: Candidate,
  component: Component,
  k: number
): Seen[] {
  const { predicted, slope } = predictionOf(problem, component.near, candidate.quantity)
  const { posterior, weight, teeth } = component
  const along = seen(posterior.covariance, slope)
  const jumped = dot(candidate.teeth, teeth)
  const spread = Math.max(dot(slope, along), 0)
  const plain = normalAlong(component, predicted, slope).mean + jumped
  const variance = spread + candidate.sigma ** 2
  const levers = decisions.map(({ told }): Lever => ({ ...told[k]!, lever: leverOf(told[k]!, along) }))
  const told = levers.map((lever) => toldBy(lever, variance))
  const one: Seen = { weight, mean: plain, variance, told, direct: null, jumped: [] }
  const direct = directStories(problem, decisions, candidate, component, { ...one, levers })
  if (direct.length > 0) return direct
  return untold
    .filter(({ cam }) => candidate.teeth[cam] !== 0)
    .reduce<Seen[]>(
      (stories, { cam }) =>
        stories.flatMap((story) =>
          TOLD_TEETH.map((tooth): Seen => ({
            ...story,
            weight: story.weight * (priors.jump[Math.abs(tooth)] ?? 0),
            mean: story.mean + tooth * candidate.teeth[cam]!,
            jumped: tooth === 0 ? story.jumped : [...story.jumped, cam]
          }))
        ),
      [one]
    )
}

/**
 * A wear that is read by itself, story by story of how it is believed: usual or worn far, each a normal cut off at 0,
 * so that what the reading does to it is exact.
 */
function directStories(
  { parts, scale }: Problem,
  decisions: readonly Decision[],
  { quantity, sigma }: Candidate,
  { posterior }: Component,
  { levers, ...whole }: Seen & { levers: readonly Lever[] }
): Seen[] {
  if (quantity.of !== 'wear' && quantity.of !== 'padWear' && quantity.of !== 'elongation') return []
  const { at } = parts[quantity.part]!
  const i = quantity.of === 'wear' ? at.wear + quantity.rail : at[quantity.of]
  const decision = decisions.findIndex(({ alone }) => alone?.at === i)
  const { limit = Infinity } = decisions[decision]?.alone ?? {}
  const [shift, by] = quantity.of === 'elongation' ? [quantity.shift, quantity.scale] : [0, 1]
  const unit = scale[i]! * by
  return (posterior.cut[i] ?? []).map((part): Seen => {
    const [mean, sd] = [part.mean * unit, part.sd * unit]
    const moments = truncatedMoments(mean, sd)
    const variance = moments.variance + sigma ** 2
    return {
      ...whole,
      weight: whole.weight * part.weight,
      mean: shift + moments.mean,
      variance,
      told: levers.map((lever) => toldBy(lever, variance)),
      direct: { mean: shift + mean, sd, sigma, decision, limit: shift + limit * by, above: logCdf(mean / sd), shift }
    }
  })
}

const TOLD_TEETH = [0, 1, -1, 2, -2]

interface At {
  value: number
  weights: number[]
}

/** The stories' odds once a candidate has shown a value. Plain loops: a job runs through them 100,000 times. */
function weighAt(stories: readonly Seen[], value: number): At {
  const weights = new Array<number>(stories.length)
  let most = -Infinity
  for (let k = 0; k < stories.length; k++) {
    weights[k] = logWeightAt(stories[k]!, value)
    if (weights[k]! > most) most = weights[k]!
  }
  let total = 0
  for (let k = 0; k < weights.length; k++) total += weights[k] = Math.exp(weights[k]! - most)
  for (let k = 0; k < weights.length; k++) weights[k]! /= total
  return { value, weights }
}

function logWeightAt({ weight, mean, variance, direct }: Seen, value: number): number {
  if (!direct) return Math.log(weight) - Math.log(variance) / 2 - (value - mean) ** 2 / variance / 2
  const spread = direct.sd ** 2 + direct.sigma ** 2
  const after = readDirectly(direct, value)
  const fit = Math.log(weight) - Math.log(spread) / 2 - (value - direct.mean) ** 2 / spread / 2
  return fit + logCdf((after.mean - direct.shift) / after.sd) - direct.above
}

/** A normal once a reading of it has shown a value. */
function readDirectly({ mean, sd, sigma }: Direct, value: number): { mean: number; sd: number } {
  const share = sd ** 2 / (sd ** 2 + sigma ** 2)
  return { mean: mean + share * (value - mean), sd: sd * Math.sqrt(1 - share) }
}

/** Odds of a decision once a candidate has shown a value. */
function oddsAfter(stories: readonly Seen[], { value, weights }: At, d: number): number {
  let odds = 0
  for (let k = 0; k < stories.length; k++) {
    const weight = weights[k]!
    if (weight < 1e-6) continue
    const { mean, told, direct } = stories[k]!
    if (direct && direct.decision === d) {
      const after = readDirectly(direct, value)
      odds += weight * truncatedAbove(after.mean - direct.shift, after.sd, direct.limit - direct.shift)
      continue
    }
    const { at, moved } = told[d]!
    odds += weight * cdf(at + moved * (value - mean))
  }
  return odds
}

/** sd of the chain's elongation as it is and as it would be, under the likeliest story. */
function narrowing({ problem, components }: View, { part, quantity, sigma }: Candidate): { from: number; to: number } {
  const [best] = components
  const i = problem.parts[part]!.at.elongation
  const { covariance } = best!.posterior
  const { slope } = predictionOf(problem, best!.near, quantity)
  const along = seen(covariance, slope)
  const variance = covariance[i]![i]!
  const cut = along[i]! ** 2 / (variance * (dot(slope, along) + sigma * sigma))
  const sd = Math.sqrt(variance) * problem.scale[i]!
  return { from: sd, to: sd * Math.sqrt(Math.max(0, 1 - cut)) }
}

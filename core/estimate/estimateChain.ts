import { chainModel } from '../drive/chainModel'
import { RAIL_GAIN_DEFAULT } from '../drive/counted'
import type { ChainModel, ChainWear } from '../drive/model'
import type { Corrections } from '../job/types'
import type { Reading } from '../readings/types'
import { limitFor } from '../sheet/limits'
import type { Chain, DriveSheet } from '../sheet/types'
import { extensionBudget } from './budget'
import { readingsAtOdds } from './leaveOut'
import { nextReadings } from './next'
import { observationsOf, type Observation } from './observations'
import { PRIORS, type Priors } from './priors'
import { problemOf, type Problem } from './problem'
import { solve, type Component, type Solution } from './solve'
import { cutMean, cutMixture, massAbove, mixture, mixtureAbove, type WeightedNormal } from './summary'
import type { CamEstimate, ChainResult, ReadingEstimate, TensionerEstimate, WearEstimate } from './types'

/** A jump less likely than this is not listed. */
const LISTED = 0.001

/**
 * What the readings of one chain say about it and what rides on it.
 * @param readings all of the job's readings, in the job's order; those of other chains are passed over
 * @throws RangeError when the sheet is not sound; a bad reading never throws, it is named in `faults` and left out
 */
export function estimateChain(sheet: DriveSheet, chain: Chain, readings: readonly Reading[], corrections: Corrections = {}, priors: Priors = PRIORS): ChainResult {
  const model = chainModel(sheet, chain, corrections)
  const reference = Object.keys(corrections).length > 0 ? chainModel(sheet, chain) : model
  const { observations, faults } = observationsOf(sheet, chain, model, readings, corrections)
  const problem = problemOf(model, observations, priors, guessedGainSpread(sheet, chain, model, priors))
  const solution = solve(problem, priors)
  const state = meanState(problem, solution)
  const limit = limitFor(sheet, 'elongation', chain.id)
  const elongation = marginal(problem, solution, 0)
  return {
    chain: {
      elongation: { ...cutMixture(elongation), overLimit: limit ? massAbove(elongation, limit.value / 100) : null },
      status: solution.status,
      readings: observations.map((o) => o.index)
    },
    rails: Object.fromEntries(model.rails.map((id, i) => [id, { wear: wearOf(problem, solution, problem.at.wear + i, limitFor(sheet, 'groove', id)?.value) }])),
    tensioners: model.tensioner === null ? {} : { [model.tensioner]: tensionerOf(sheet, chain, problem, solution, state, reference) },
    cams: Object.fromEntries(model.cams.map((id, i) => [id, camOf(sheet, chain, problem, solution, i)])),
    readings: readingsOf(problem, solution),
    next: nextReadings(sheet, chain, problem, solution.components[0]!, readings),
    faults
  }
}

/** mm by which an unread rail may move the extension of a counted sheet whose rail gains are only guessed (to half their size). */
function guessedGainSpread(sheet: DriveSheet, chain: Chain, model: ChainModel, priors: Priors): number {
  const tensioner = sheet.tensioners.find((t) => t.chain === chain.id)
  if (!chain.counted || !tensioner) return 0
  const guessed = model.rails.filter((id) => tensioner.railGain?.[id] === undefined)
  return Math.hypot(0, ...guessed.map((id) => 0.5 * RAIL_GAIN_DEFAULT[sheet.rails.find((r) => r.id === id)!.kind] * priors.wear))
}

/** Marginal of one bounded unknown, in its own unit, as normals to be cut off at 0. */
function marginal({ scale }: Problem, { components }: Solution, i: number): WeightedNormal[] {
  return components.map(({ weight, posterior }) => {
    const cut = posterior.cut[i]!
    return { weight, mean: cut.mean * scale[i]!, sd: cut.sd * scale[i]! }
  })
}

function wearOf(problem: Problem, solution: Solution, i: number, limit: number | undefined): WearEstimate {
  const parts = marginal(problem, solution, i)
  return { ...cutMixture(parts), overLimit: limit === undefined ? null : massAbove(parts, limit) }
}

function meanState(problem: Problem, solution: Solution): ChainWear {
  const mean = (i: number) => cutMean(marginal(problem, solution, i))
  return { elongation: mean(0), wear: problem.model.rails.map((_, i) => mean(problem.at.wear + i)), padWear: mean(problem.at.padWear) }
}

/** A linear quantity's normal under one component: its value at the point, its slope in prior units. */
function along({ posterior, near }: Component, value: number, slope: readonly number[]): { mean: number; sd: number } {
  const moved = posterior.mean.map((m, i) => m - near.point[i]!)
  const mean = value + slope.reduce((sum, s, i) => sum + s * moved[i]!, 0)
  const variance = slope.reduce((sum, s, i) => sum + s * posterior.covariance[i]!.reduce((inner, c, k) => inner + c * slope[k]!, 0), 0)
  return { mean, sd: Math.sqrt(Math.max(variance, 1e-18)) }
}

function tensionerOf(sheet: DriveSheet, chain: Chain, problem: Problem, solution: Solution, state: ChainWear, reference: ChainModel): TensionerEstimate {
  const tensioner = sheet.tensioners.find((t) => t.chain === chain.id)!
  const { scale, at, model } = problem
  const { extension, slack, armAngle } = model.readout(state)
  const read = weightedMean(problem.observations.filter((o) => o.quantity.of === 'extension'))
  const parts = solution.components.map((part) => {
    const value = part.near.readout.extension! + part.near.point[at.extension]! * scale[at.extension]!
    return { weight: part.weight, ...along(part, value, part.near.extensionSlope) }
  })
  const stands = read ?? extension!
  return {
    extension: { predicted: extension!, read, sd: mixture(parts).sd, overLimit: tensioner.limit ? mixtureAbove(parts, tensioner.limit.value) : null },
    padWear: wearOf(problem, solution, at.padWear, limitFor(sheet, 'padWear', tensioner.id)?.value),
    budget: extensionBudget(model, reference, state, read),
    travelLeft: { toStroke: tensioner.stroke - stands, toLimit: tensioner.limit ? tensioner.limit.value - stands : null },
    slack, armAngle
  }
}

function weightedMean(observations: readonly Observation[]): number | null {
  const total = observations.reduce((sum, { sigma }) => sum + 1 / sigma ** 2, 0)
  return total === 0 ? null : observations.reduce((sum, { value, sigma }) => sum + value / sigma ** 2, 0) / total
}

function camOf(sheet: DriveSheet, chain: Chain, problem: Problem, solution: Solution, cam: number): CamEstimate {
  const { scale, at, model } = problem
  const parts = solution.components.map((part) => {
    const offset = part.near.point[at.lag + cam]! * scale[at.lag + cam]!
    const value = part.near.readout.lag[cam]! + offset + part.teeth[cam]! * model.degreesPerTooth
    return { weight: part.weight, ...along(part, value, part.near.lagSlope[cam]!) }
  })
  const limit = limitFor(sheet, 'camLag', model.cams[cam]!)
  const told = problem.observations.some((o) => o.teeth[cam] !== 0)
  return {
    chain: chain.id,
    lag: { ...mixture(parts), overLimit: limit ? mixtureAbove(parts, limit.value) : null },
    wearLag: solution.components.reduce((sum, { weight, near }) => sum + weight * near.readout.lag[cam]!, 0),
    jump: { ...jumpOf(solution, cam, told), told }
  }
}

function jumpOf({ components }: Solution, cam: number, told: boolean): { teeth: number; odds: number; all: Record<string, number> } {
  const odds = new Map<number, number>()
  if (told) for (const { teeth, weight } of components) odds.set(teeth[cam]!, (odds.get(teeth[cam]!) ?? 0) + weight)
  else PRIORS.jump.forEach((p, teeth) => [teeth, -teeth].forEach((t) => odds.set(t, p)))
  const listed = [...odds].filter(([, p]) => p >= LISTED).sort(([a], [b]) => a - b)
  const [teeth, most] = listed.reduce((best, entry) => (entry[1] > best[1] ? entry : best))
  return { teeth: teeth + 0, odds: most, all: Object.fromEntries(listed.map(([t, p]) => [String(t), p])) }
}

function readingsOf(problem: Problem, solution: Solution): ReadingEstimate[] {
  const [best] = solution.components
  const atOdds = readingsAtOdds(problem, solution)
  return problem.observations.map(({ index, value, sigma, teeth }, k) => {
    const predicted = best!.near.predicted[k]! + teeth.reduce((sum, t, cam) => sum + t * best!.teeth[cam]!, 0)
    return { index, predicted, residual: (value - predicted) / sigma, sigma, atOdds: atOdds[k]! }
  })
}

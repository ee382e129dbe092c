import { cdf, dot, massAbove, quantileOf } from '../math'
import type { NumericKind } from '../readings'
import { compileSheet, limitFor, type DriveSheet } from '../sheet'
import { normalAlong } from './marginals'
import { lossOf, type Stake, type Stakes } from './stakes'
import type { Component, Solution } from './solve'
import type { Problem } from './trainProblem'

/** Something that is decided of a part: is it past its limit, or has it jumped? */
export interface Decision {
  part: string
  about: NumericKind | 'jump'
  stake: Stake
  /** What it is about where that is one unknown alone: its place in u, and the limit in its own unit. */
  alone: { at: number; limit: number } | null
  /** As each story has it. */
  told: Told[]
}

/** One story's side of a decision: odds = Φ(z), with the sd of what is held against the limit and its slope. */
export interface Told {
  z: number
  sd: number
  slope: readonly number[]
}

/** sds beyond which nothing is open. */
const DECIDED = 8

/** All decisions that a train's readings bear on. */
export function decisionsOf(sheet: DriveSheet, problem: Problem, { components }: Solution, stakes: Stakes): Decision[] {
  const { scale } = problem
  const parts = compileSheet(sheet)
  const bounded = (part: string, about: NumericKind, i: number, limit: number | undefined): Decision[] => {
    if (limit === undefined) return []
    const slope = scale.map((s, k) => (k === i ? s : 0))
    const told = components.map(({ posterior }): Told => {
      const cut = (posterior.cut[i] ?? []).map((p) => ({
        weight: p.weight,
        mean: p.mean * scale[i]!,
        sd: p.sd * scale[i]!
      }))
      return { z: quantileOf(massAbove(cut, limit)), sd: Math.sqrt(posterior.covariance[i]![i]!) * scale[i]!, slope }
    })
    return [{ part, about, stake: stakes.of(part, 'wear'), alone: { at: i, limit }, told }]
  }
  const worn = problem.parts.flatMap(({ chain, model, at }, place): Decision[] => {
    const tensioner = model.tensioner === null ? null : parts.tensioner(model.tensioner)
    const elongation = limitFor(sheet, 'elongation', chain.id)
    return [
      ...bounded(chain.id, 'chainLength', at.elongation, elongation ? elongation.value / 100 : undefined),
      ...model.rails.flatMap((id, i) => bounded(id, 'groove', at.wear + i, limitFor(sheet, 'groove', id)?.value)),
      ...(tensioner
        ? bounded(tensioner.id, 'padWear', at.padWear, limitFor(sheet, 'padWear', tensioner.id)?.value)
        : []),
      // What an extension's limit is about is the chain's length: it decides where the sheet has no limit for that.
      ...(tensioner?.limit && !elongation
        ? [extensionDecision(problem, components, place, tensioner.id, tensioner.limit.value, stakes)]
        : [])
    ]
  })
  return [...worn, ...jumpDecisions(problem, components, stakes)]
}

function extensionDecision(
  problem: Problem,
  components: readonly Component[],
  place: number,
  part: string,
  limit: number,
  stakes: Stakes
): Decision {
  const { at } = problem.parts[place]!
  const told = components.map((component): Told => {
    const { near } = component
    const slope = near.extensionSlope[place]!
    const stands = (near.readouts[place]!.extension ?? NaN) + near.point[at.extension]! * problem.scale[at.extension]!
    const { mean, sd } = normalAlong(component, stands, slope)
    return { z: Math.max(-DECIDED, Math.min((mean - limit) / sd, DECIDED)), sd, slope }
  })
  return { part, about: 'extension', stake: stakes.of(part, 'wear'), alone: null, told }
}

/** A cam that nothing was read on has the prior's odds: its lag is held apart from them (next.ts). */
function jumpDecisions(
  { cams, observations, scale }: Problem,
  components: readonly Component[],
  stakes: Stakes
): Decision[] {
  const none = scale.map(() => 0)
  return cams.flatMap(({ id }, cam): Decision[] => {
    if (!observations.some(({ teeth }) => teeth[cam] !== 0)) return []
    const told = components.map(({ teeth }): Told => ({ z: teeth[cam] === 0 ? -DECIDED : DECIDED, sd: 1, slope: none }))
    return [{ part: id, about: 'jump', stake: stakes.of(id, 'jump'), alone: null, told }]
  })
}

/** Odds of a decision over all stories. */
export function oddsOf({ told }: Decision, weights: readonly number[]): number {
  return told.reduce((sum, { z }, k) => sum + weights[k]! * cdf(z), 0)
}

/** What deciding now is expected to cost. */
export function lossNow(decision: Decision, weights: readonly number[]): number {
  return lossOf(decision.stake, oddsOf(decision, weights))
}

/** How far a reading of slope s moves a decision: cov(decision, reading), in the decision's and the reading's units. */
export function leverOf(told: Told, along: readonly number[]): number {
  return dot(told.slope, along)
}

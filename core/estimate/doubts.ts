import { compileSheet, limitFor, type DriveSheet } from '../sheet'
import { type NumericKind, partOf, type Reading, STRETCH_KINDS } from '../readings'
import { cdf, dot } from '../math'
import { normalAlong, seen } from './marginals'
import type { Problem } from './trainProblem'
import type { Component } from './solve'

/** A call that the evidence does not decide yet: how likely a quantity is past its limit. */
export interface Doubt {
  /** Id of the part whose call is undecided. */
  part: string
  about: NumericKind | 'jump'
  /** Mean, sd and limit in one unit; slope per unknown in prior units, in that unit. */
  mean: number
  sd: number
  limit: number
  slope: number[]
}

/** A jump that no reading decides: prior or posterior odds that the sprocket has jumped. */
export interface JumpDoubt {
  part: string
  /** Place of the cam in the train. */
  cam: number
  jumped: number
}

/** Odds of being past a limit between which a call is undecided. */
const UNDECIDED: readonly [number, number] = [0.1, 0.9]

/**
 * The undecided calls of a train under its likeliest component: what lies across its limit, and what has a limit and
 * was
 * not read at all.
 */
export function doubtsOf(
  sheet: DriveSheet,
  problem: Problem,
  component: Component,
  readings: readonly Reading[]
): Doubt[] {
  const { near, posterior } = component
  const { scale } = problem
  const parts = compileSheet(sheet)
  const single = (i: number, by = 1) => scale.map((s, k) => (k === i ? s * by : 0))
  const read = (kind: NumericKind, part: string) => readings.some((r) => r.kind === kind && partOf(r) === part)
  const bounded = (
    part: string,
    about: NumericKind,
    i: number,
    limit: number | undefined,
    was: boolean,
    by = 1
  ): (Doubt & { read: boolean })[] => {
    if (limit === undefined) return []
    const slope = single(i, by)
    return [
      {
        part,
        about,
        limit,
        slope,
        read: was,
        mean: posterior.mean[i]! * scale[i]! * by,
        sd: Math.sqrt(Math.max(dot(slope, seen(posterior.covariance, slope)), 1e-18))
      }
    ]
  }
  const all = problem.parts.flatMap(({ chain, model, at }, place): (Doubt & { read: boolean })[] => {
    const told = problem.observations.some((o) => o.part === place && STRETCH_KINDS.includes(o.kind))
    const tensioner = model.tensioner === null ? null : parts.tensioner(model.tensioner)
    const extension =
      tensioner?.limit &&
      normalAlong(
        component,
        (near.readouts[place]!.extension ?? NaN) + near.point[at.extension]! * scale[at.extension]!,
        near.extensionSlope[place]!
      )
    return [
      ...bounded(chain.id, 'chainLength', at.elongation, limitFor(sheet, 'elongation', chain.id)?.value, told, 100),
      ...model.rails.flatMap((id, i) =>
        bounded(id, 'groove', at.wear + i, limitFor(sheet, 'groove', id)?.value, read('groove', id))
      ),
      ...(tensioner
        ? bounded(tensioner.id, 'padWear', at.padWear, limitFor(sheet, 'padWear', tensioner.id)?.value, true)
        : []),
      ...(extension && tensioner?.limit
        ? [
            {
              part: tensioner.id,
              about: 'extension' as const,
              ...extension,
              limit: tensioner.limit.value,
              slope: near.extensionSlope[place]!,
              read: read('extension', tensioner.id)
            }
          ]
        : [])
    ]
  })
  return all.filter((doubt) => !doubt.read || isUndecided(pastLimit(doubt))).map(({ read: _read, ...doubt }) => doubt)
}

/** Sprockets whose jump is untold or undecided. */
export function jumpDoubtsOf(problem: Problem, components: readonly Component[], priorStill: number): JumpDoubt[] {
  return problem.cams.flatMap(({ id }, cam) => {
    const told = problem.observations.some((o) => o.teeth[cam] !== 0)
    const jumped = told ? components.reduce((sum, c) => sum + (c.teeth[cam] === 0 ? 0 : c.weight), 0) : 1 - priorStill
    return told && !isUndecided(jumped) ? [] : [{ part: id, cam, jumped }]
  })
}

function isUndecided(odds: number): boolean {
  return odds > UNDECIDED[0] && odds < UNDECIDED[1]
}

/** Odds that a quantity lies past its limit. */
export function pastLimit({ mean, sd, limit }: Pick<Doubt, 'mean' | 'sd' | 'limit'>): number {
  return cdf((mean - limit) / sd)
}

/** p(1 − p): greatest at even odds, 0 when decided. */
export function doubtOf(odds: number): number {
  return odds * (1 - odds)
}

/** Gauss–Hermite nodes and weights for a standard normal, five of them. */
const NODES = [
  [0, 8 / 15],
  [1.355626179974266, 0.2220759220056126],
  [-1.355626179974266, 0.2220759220056126],
  [2.856970013872806, 0.01125741132772069],
  [-2.856970013872806, 0.01125741132772069]
] as const

/**
 * What doubt is left on average once a reading cuts the variance of a quantity by a fraction: its mean moves by
 * sd·√cut, its sd falls to sd·√(1 − cut); p(1 − p) averaged over where the mean may go.
 */
export function doubtAfter({ mean, sd, limit }: Pick<Doubt, 'mean' | 'sd' | 'limit'>, cut: number): number {
  const [moves, left] = [sd * Math.sqrt(cut), sd * Math.sqrt(Math.max(1 - cut, 1e-12))]
  return NODES.reduce(
    (sum, [node, weight]) => sum + weight * doubtOf(pastLimit({ mean: mean + moves * node, sd: left, limit })),
    0
  )
}

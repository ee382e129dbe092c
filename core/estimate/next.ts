import { CHAIN_OFF_MINUTES, methodSigma, type NumericKind, partOf, type Reading, READING_KINDS } from '../readings'
import type { Chain, DriveSheet } from '../sheet'
import { type Doubt, doubtAfter, doubtOf, doubtsOf, type JumpDoubt, jumpDoubtsOf, pastLimit } from './doubts'
import { dot } from '../math'
import { seen } from './marginals'
import type { Priors } from './priors'
import type { Part, Problem } from './trainProblem'
import type { Solution } from './solve'
import type { NextReading } from './types'

/** Links usually laid against a rule or calliper. */
export const BENCH_LINKS = 20

/** p(1 − p) of even odds is a quarter: times this it is 1, a call that could not be less decided. */
const EVEN = 4

/** A fraction of a doubt below this is not worth a word. */
const WORTH = 0.02

interface Candidate {
  kind: NumericKind
  target: string
  from?: string
  to?: string
  part: number
  /** In sigmas of the reading, per unknown. */
  slope: number[]
  /** Sprockets whose teeth it sees, and how many sigmas one tooth is. */
  teeth: Map<number, number>
}

/**
 * Readings of a train not yet taken, the most settling first. For a reading with slope s (in sigmas) and posterior
 * covariance Σ, the variance of a quantity with slope g falls by the fraction (gᵀΣs)² / ((1 + sᵀΣs)·gᵀΣg), whatever the
 * reading will be; so does that of ε, and the doubt of a call by what is left of it on average. A jump is told by
 * δ = one tooth over the spread of the prediction; its doubt falls by 1 − exp(−δ²/8) (the overlap of two normals).
 */
export function nextReadings(
  sheet: DriveSheet,
  problem: Problem,
  { components }: Solution,
  taken: readonly Reading[],
  priors: Priors
): NextReading[] {
  const best = components[0]!
  const { covariance } = best.posterior
  const doubts = doubtsOf(sheet, problem, best, taken)
  const jumps = jumpDoubtsOf(problem, components, priors.jump[0]!)
  const open = candidatesOf(problem, best).filter((c) => !taken.some((r) => isTaken(c, r)))
  const worth = open.map(({ kind, target, from, to, part, slope, teeth }): NextReading => {
    const { chain, at } = problem.parts[part]!
    const along = seen(covariance, slope)
    const spread = 1 + dot(slope, along)
    const variance = covariance[at.elongation]![at.elongation]!
    const cut = along[at.elongation]! ** 2 / (variance * spread)
    const settles = [...settledLimits(doubts, along, spread), ...settledJumps(jumps, teeth, spread)]
    const unsettled = settles.reduce((left, { took }) => left * (1 - EVEN * took), 1)
    const sd = Math.sqrt(variance) * problem.scale[at.elongation]!
    return {
      kind,
      target,
      ...(from && to ? { from, to } : {}),
      chain: chain.id,
      gain: 1 - (1 - cut) * unsettled,
      narrows: { from: sd, to: sd * Math.sqrt(Math.max(0, 1 - cut)) },
      settles: settles
        .filter((s) => s.cut >= WORTH)
        .map(({ part: of, odds, cut: by }) => ({ part: of, odds, cut: by })),
      minutes: minutesOf(kind, chain, taken)
    }
  })
  return [...worth, ...openPlays(sheet, problem, taken, priors)].sort((a, b) => b.gain - a.gain)
}

interface Settled {
  part: string
  odds: number
  cut: number
  /** Doubt taken away. */
  took: number
}

function settledLimits(doubts: readonly Doubt[], along: readonly number[], spread: number): Settled[] {
  return doubts.map((doubt) => {
    const fraction = Math.min(dot(doubt.slope, along) ** 2 / (spread * doubt.sd ** 2), 1)
    return settleDoubt(doubt.part, pastLimit(doubt), doubtAfter(doubt, fraction))
  })
}

function settledJumps(jumps: readonly JumpDoubt[], teeth: ReadonlyMap<number, number>, spread: number): Settled[] {
  return jumps.flatMap(({ part, cam, jumped }) => {
    const tooth = teeth.get(cam)
    return tooth === undefined
      ? []
      : [settleDoubt(part, jumped, doubtOf(jumped) * Math.exp(-(tooth * tooth) / spread / 8))]
  })
}

function settleDoubt(part: string, odds: number, left: number): Settled {
  const doubt = doubtOf(odds)
  const took = Math.max(0, doubt - left)
  return { part, odds, cut: doubt > 1e-9 ? took / doubt : 0, took }
}

/** Play stands outside the estimate: an unread phaser's call is settled by reading it, and by nothing else. */
function openPlays(sheet: DriveSheet, { parts }: Problem, taken: readonly Reading[], priors: Priors): NextReading[] {
  return parts.flatMap(({ chain }) =>
    sheet.phasers
      .filter(
        (p) => chain.path.includes(p.sprocket) && !taken.some((r) => r.kind === 'phaserPlay' && r.phaser === p.id)
      )
      .map((phaser): NextReading => {
        const { minutes } = READING_KINDS.phaserPlay
        const doubt = phaser.playLimit
          ? { mean: 0.8 * priors.play, sd: 0.6 * priors.play, limit: phaser.playLimit.value }
          : null
        const { odds, cut, took } = doubt
          ? settleDoubt(phaser.id, pastLimit(doubt), doubtAfter(doubt, 0.9))
          : { odds: 0.5, cut: 0, took: 0 }
        return {
          kind: 'phaserPlay',
          target: phaser.id,
          chain: chain.id,
          gain: EVEN * took,
          narrows: { from: 0, to: 0 },
          settles: doubt ? [{ part: phaser.id, odds, cut }] : [],
          minutes
        }
      })
  )
}

function isTaken({ kind, target, from, to }: Candidate, reading: Reading): boolean {
  if (reading.kind !== kind) return false
  if (kind === 'linkCount') return reading.chain === target && reading.from === from && reading.to === to
  return partOf(reading) === target
}

function minutesOf(kind: NumericKind, chain: Chain, taken: readonly Reading[]): number {
  const bench = (r: { kind: string; chain?: string }) => r.kind === 'chainLength' || r.kind === 'chainCompare'
  const needsOff = bench({ kind }) && !taken.some((r) => bench(r) && r.chain === chain.id)
  return READING_KINDS[kind].minutes + (needsOff ? CHAIN_OFF_MINUTES : 0)
}

function candidatesOf(problem: Problem, { near }: Solution['components'][number]): Candidate[] {
  const { cams, scale } = problem
  const sigma = (kind: NumericKind) => methodSigma(kind) ?? NaN
  const single = (i: number, by: number) => scale.map((s, k) => (k === i ? s * by : 0))
  const linear = (kind: NumericKind, target: string, part: number, slope: readonly number[]): Candidate => ({
    kind,
    target,
    part,
    slope: slope.map((s) => s / sigma(kind)),
    teeth: new Map()
  })
  return problem.parts.flatMap((view, part) => {
    const { chain, model, at } = view
    const bench = Math.min(BENCH_LINKS, chain.links) * chain.pitch
    return [
      ...(model.tensioner === null
        ? []
        : [
            linear('extension', model.tensioner, part, near.extensionSlope[part]!),
            linear('padWear', model.tensioner, part, single(at.padWear, 1))
          ]),
      ...cams.flatMap((cam, i) =>
        cam.part !== part
          ? []
          : [
              {
                ...linear('camLag', cam.id, part, near.lagSlope[i]!),
                teeth: new Map([i, ...cam.inherits].map((c) => [c, cams[c]!.degreesPerTooth / sigma('camLag')]))
              }
            ]
      ),
      ...runsOf(problem, view, part),
      ...model.rails.map((id, i) => linear('groove', id, part, single(at.wear + i, 1))),
      linear('chainLength', chain.id, part, single(at.elongation, bench)),
      linear('chainCompare', chain.id, part, single(at.elongation, bench))
    ]
  })
}

function runsOf({ cams, scale }: Problem, { chain }: Part, part: number): Candidate[] {
  const tooth = 1 / (methodSigma('linkCount') ?? NaN)
  return chain.counts.map(({ from, to }) => {
    const seenBy = [from, to]
      .map((id) => cams.findIndex((cam) => cam.part === part && cam.id === id))
      .filter((i) => i >= 0)
    return {
      kind: 'linkCount',
      target: chain.id,
      from,
      to,
      part,
      slope: scale.map(() => 0),
      teeth: new Map(seenBy.map((i) => [i, tooth]))
    }
  })
}

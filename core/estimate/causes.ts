import type { HalfNormals } from '../math'
import { type KnownReading, partOf, type ReadingKind } from '../readings'
import { type DriveSheet, limitFor } from '../sheet'
import { type Hypothesis, type Slip } from './hypotheses'
import { HALF_NORMAL, type Priors, tailed } from './priors'
import { seatAt } from './seats'
import type { Problem } from './trainProblem'
import type { WrongWay } from './ways'

/** One thing that may lie behind what was read of a drive, of the part (of a misread one: the reading) with this id. */
export type Cause =
  | { as: 'stretched' | 'rail-worn' | 'pad-worn' | 'cam-moved'; of: string }
  | { as: 'jumped'; of: string; teeth: number }
  /** A reading of this kind, part and value (or notches); `way` null: in any. */
  | { as: 'misread'; of: string; kind: ReadingKind; part: string; value: number | null; way: WrongWay | null }

/** A wear that may be what explains the readings: its place in u, and what is believed of it if it is and if not. */
export interface Wearing {
  cause: Cause
  at: number
  /** Odds beforehand that it is worn. */
  share: number
  usual: HalfNormals
  /** Of what it is beyond `floor`, which it is at least then; prior units. */
  worn: HalfNormals
  floor: number
}

/** Odds that the chain of an engine that comes in has stretched beyond what is usual. */
const STRETCHED = 0.5
/** What is usual of a chain: half-normal scale, as a share of its limit. */
const USUAL_STRETCH = 1 / 3
/** Its limit where the sheet has none, fraction. */
const LIMIT_WITHOUT = 0.0045
/** What is stretched or worn far has lost this share of its limit at least; rails and pads without one their scale. */
const FAR_FROM = 0.5
/** Half-normal scale of a wear that is held, in prior units: next to nothing. */
const HELD = 0.01

/** Every wear of a train, as what may explain its readings. The tails of the priors are those worn through. */
export function wearingsOf(sheet: DriveSheet, { parts, scale }: Problem, priors: Priors): Wearing[] {
  const { tails } = priors
  const tailOf = (cause: Cause, kind: 'groove' | 'padWear', at: number): Wearing => {
    const { share, times } = tails[kind === 'groove' ? 'wear' : 'padWear']
    const limit = limitFor(sheet, kind, cause.of)
    const floor = limit ? (FAR_FROM * limit.value) / scale[at]! : 1
    return { cause, at, share, usual: HALF_NORMAL, worn: scaled(times), floor }
  }
  return parts.flatMap(({ chain, model, at }): Wearing[] => {
    const limit = limitFor(sheet, 'elongation', chain.id)
    const most = (limit ? limit.value / 100 : LIMIT_WITHOUT) / priors.elongation
    const stretched: Cause = { as: 'stretched', of: chain.id }
    return [
      {
        cause: stretched,
        at: at.elongation,
        share: STRETCHED,
        usual: scaled(Math.min(1, USUAL_STRETCH * most)),
        worn: tailed(tails.elongation),
        floor: FAR_FROM * most
      },
      ...model.rails.map((of, i) => tailOf({ as: 'rail-worn', of }, 'groove', at.wear + i)),
      ...(model.tensioner === null ? [] : [tailOf({ as: 'pad-worn', of: model.tensioner }, 'padWear', at.padWear)])
    ]
  })
}

const scaled = (scale: number): HalfNormals => [{ weight: 1, scale }]

/** A train of which only these wears are beyond what is usual; those held are as far on as is usual at the most. */
export function onlyWorn(
  problem: Problem,
  wearings: readonly Wearing[],
  worn: readonly Wearing[],
  held: readonly Wearing[]
): Problem {
  const bounded = problem.bounded.slice()
  const floors = bounded.map(() => 0)
  for (const one of wearings) {
    const [isWorn, isHeld] = [worn.includes(one), held.includes(one)]
    bounded[one.at] = isWorn ? one.worn : isHeld ? scaled(HELD) : one.usual
    if (isWorn || isHeld) floors[one.at] = one.floor
  }
  return { ...problem, bounded, floors }
}

/** ln of the odds beforehand that these wears are worn, and no others. */
export function logWorn(wearings: readonly Wearing[], worn: readonly Wearing[]): number {
  return wearings.reduce((sum, one) => sum + Math.log(worn.includes(one) ? one.share : 1 - one.share), 0)
}

/** What a story of teeth and wrong readings says happened; empty where none did. */
export function causesOf(problem: Problem, { teeth, slips }: Hypothesis): Cause[] {
  return [
    ...teeth.flatMap((count, i): Cause[] =>
      count === 0 ? [] : [{ as: 'jumped', of: problem.cams[i]!.id, teeth: count }]
    ),
    ...slips.flatMap(({ observation, way }) => slipCause(problem, observation, way))
  ]
}

function slipCause({ cams, observations, parts }: Problem, k: number, way: number): Cause[] {
  const { reading, ways, quantity } = observations[k]!
  const { as } = ways[way]!
  if (as !== 'moved') return reading ? [misread(reading, as)] : []
  const cam = cams.find(({ part, place }) => quantity.of === 'untold' && parts[part]!.at.lag + place === quantity.at)
  return cam ? [{ as: 'cam-moved', of: cam.id }] : []
}

/** A reading as wrong, in one way or in any. */
export function misread(reading: KnownReading, way: WrongWay | null): Cause {
  const value = reading.kind === 'condition' ? null : (reading.value ?? reading.notches ?? reading.gap ?? null)
  return { as: 'misread', of: reading.id, kind: reading.kind, part: partOf(reading), value, way }
}

/** The stories of one cause that is no wear: one for each way in which it may be; none where nothing tells of it. */
export function storiesOf(problem: Problem, cause: Cause): Hypothesis[] {
  const { cams, observations, parts } = problem
  const still = cams.map(() => 0)
  if (cause.as === 'jumped') return [{ teeth: cams.map(({ id }) => (id === cause.of ? cause.teeth : 0)), slips: [] }]
  if (cause.as === 'cam-moved') {
    const cam = cams.find(({ id }) => id === cause.of)
    const seat = cam ? seatAt(observations, parts[cam.part]!.at.lag + cam.place) : -1
    return seat < 0 ? [] : [{ teeth: still, slips: [{ observation: seat, way: 0 }] }]
  }
  if (cause.as !== 'misread') return []
  const observation = observations.findIndex(({ reading }) => reading?.id === cause.of)
  return (observations[observation]?.ways ?? []).flatMap(({ as }, way) =>
    cause.way === null || cause.way === as ? [{ teeth: still, slips: [{ observation, way } satisfies Slip] }] : []
  )
}

/** Do two say the same happened? A reading that is wrong in another way is the same one wrong. */
export function isSameCause(a: Cause, b: Cause): boolean {
  return a.as === b.as && a.of === b.of && (a.as !== 'jumped' || a.teeth === (b as typeof a).teeth)
}

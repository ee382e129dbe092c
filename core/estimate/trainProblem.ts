import { ELONGATION_MAX, type HalfNormals, type Matrix } from '../math'
import {
  chainModel,
  type ChainModel,
  type ChainReadout,
  type ChainWear,
  type Corrections,
  inheritsFrom,
  toothDegreesOf
} from '../drive'
import type { Chain, DriveSheet } from '../sheet'
import { guessedCorrections, type Nuisance } from './nuisances'
import type { Observation } from './observation'
import { type Priors, tailed } from './priors'

/** One chain of a train and the places of its unknowns in u. */
export interface Part {
  chain: Chain
  /** With what is known of the engine; what nobody told counted as none. */
  model: ChainModel
  at: { elongation: number; wear: number; padWear: number; extension: number; lag: number }
}

/** A driven sprocket of a train. */
export interface Cam {
  id: string
  /** Place of its chain in the train, and its own in that chain's model. */
  part: number
  place: number
  /** crank degrees that one tooth of jump on it moves it. */
  degreesPerTooth: number
  /** Places of the sprockets before it whose lag it inherits, as its chain is driven by them. */
  inherits: number[]
  /** Place in u of the offset key that it may have; null where none is open. */
  key: number | null
}

/**
 * Chains that hang together by stages; mostly just one. Their unknowns stand in one vector u, each in units of its
 * prior: chain by chain [elongation, wear per rail, pad wear, extension offset, lag offset per driven sprocket], then
 * what nobody told of the engine. Wears are at least 0 with a tailed half-normal prior, the offsets normal.
 */
export interface Train {
  sheet: DriveSheet
  corrections: Corrections
  parts: Part[]
  cams: Cam[]
  nuisances: readonly Nuisance[]
  /** Place of the first nuisance in u. */
  nuisancesAt: number
  /** Prior scale of each unknown, in its own unit. */
  scale: number[]
  /** Prior of each unknown that cannot be below 0, in units of its scale; null for the others, which are normal. */
  bounded: (HalfNormals | null)[]
}

/** A train with what was read on it. */
export interface Problem extends Train {
  observations: readonly Observation[]
  /** How many of them, the first, were read. */
  read: number
  /** What each unknown is at least, in prior units, its prior beginning there; without it bounds are at 0. */
  floors?: readonly number[]
}

/** The readings' predictions near a point: prediction(u) ≈ predicted + slope·(u − point), without jumps. */
export interface Linearised {
  point: number[]
  /** What each chain would show, its own stage alone. */
  readouts: ChainReadout[]
  /** crank degrees, for each driven sprocket of the train, with the stages before it; without offsets and jumps. */
  lag: number[]
  predicted: number[]
  slope: Matrix
  /** Slope of each chain's extension, with the offset, per unknown. */
  extensionSlope: Matrix
  /** Slope of each driven sprocket's lag, with the offset, per unknown. */
  lagSlope: Matrix
}

/**
 * @param chains a train's chains with their models
 * @param extensionSpread mm added to the scatter of each chain's extension, in their order
 */
export function trainOf(
  sheet: DriveSheet,
  corrections: Corrections,
  chains: readonly { chain: Chain; model: ChainModel }[],
  nuisances: readonly Nuisance[],
  priors: Priors,
  extensionSpread: readonly number[]
): Train {
  const train: Train = { sheet, corrections, parts: [], cams: [], nuisances, nuisancesAt: 0, scale: [], bounded: [] }
  const add = (scale: number, bounded: HalfNormals | null) => {
    train.scale.push(scale)
    train.bounded.push(bounded)
  }
  const { tails } = priors
  chains.forEach(({ chain, model }, part) => {
    const start = train.scale.length
    const padWear = start + 1 + model.rails.length
    train.parts.push({
      chain,
      model,
      at: { elongation: start, wear: start + 1, padWear, extension: padWear + 1, lag: padWear + 2 }
    })
    add(priors.elongation, tailed(tails.elongation))
    for (let i = 0; i < model.rails.length; i++) add(priors.wear, tailed(tails.wear))
    add(priors.padWear, tailed(tails.padWear))
    add(Math.hypot(priors.extensionScatter, extensionSpread[part]!), null)
    model.cams.forEach((id, place) => {
      add(priors.lagScatter, null)
      train.cams.push({ id, part, place, degreesPerTooth: toothDegreesOf(sheet, chain, id), inherits: [], key: null })
    })
  })
  train.nuisancesAt = train.scale.length
  for (const { scale, prior } of nuisances) add(scale, prior)
  for (const cam of train.cams) {
    cam.inherits = inheritFrom(train, cam)
    const key = nuisances.findIndex(({ question, of }) => question === 'offsetKeys' && of === cam.id)
    cam.key = key < 0 ? null : train.nuisancesAt + key
  }
  return train
}

/** What drives a cam's chain, or by gears the cam itself, with all before that. */
function inheritFrom(train: Train, cam: Cam): number[] {
  const { cams, parts, sheet } = train
  const driver = inheritsFrom(sheet, parts[cam.part]!.chain, cam.id)
  const above = cams.findIndex(({ id }) => id === driver)
  return above < 0 ? [] : [above, ...inheritFrom(train, cams[above]!)]
}

/** crank degrees that teeth jumped on each cam move one of them: its own, and those before it that it inherits. */
export function jumpedBy({ cams }: Train, cam: number, teeth: readonly number[]): number {
  return [cam, ...cams[cam]!.inherits].reduce((sum, c) => sum + teeth[c]! * cams[c]!.degreesPerTooth, 0)
}

/** The state of one chain at u, kept where a chain can be. */
export function stateAt({ scale }: Train, { at }: Part, u: readonly number[]): ChainWear {
  const positive = (i: number) => Math.max(0, u[i]! * scale[i]!)
  return {
    elongation: Math.min(positive(at.elongation), ELONGATION_MAX),
    wear: Array.from({ length: at.padWear - at.wear }, (_, i) => positive(at.wear + i)),
    padWear: positive(at.padWear)
  }
}

/** Steps for one-sided differences: 0.001 % of elongation, 0.001 mm of wear. */
const STEP = { elongation: 1e-5, wear: 1e-3 }

/**
 * Predictions and their slopes at u, by one-sided differences of the forward model.
 * @param width prior units, one for each unknown: take slopes from −width to +width instead
 */
export function linearise(problem: Problem, u: readonly number[], width?: readonly number[]): Linearised {
  const point = u.slice()
  const chains = problem.parts.map((part) => lineariseChain(problem, part, point, width))
  const { cams } = problem
  const own = cams.map(({ part, place }) => ({
    lag: chains[part]!.readout.lag[place]!,
    slope: chains[part]!.lagSlope[place]!
  }))
  const lag = cams.map(({ inherits }, i) => inherits.reduce((sum, above) => sum + own[above]!.lag, own[i]!.lag))
  const lagSlope = cams.map(({ inherits, part, place }, i) => {
    const row = own[i]!.slope.map((s, k) => inherits.reduce((sum, above) => sum + own[above]!.slope[k]!, s))
    row[problem.parts[part]!.at.lag + place] = problem.scale[problem.parts[part]!.at.lag + place]!
    return row
  })
  const near = {
    point,
    readouts: chains.map((c) => c.readout),
    lag,
    extensionSlope: chains.map((c) => c.extensionSlope),
    lagSlope
  }
  const rows = problem.observations.map((one) =>
    withHand(problem, one, predictionOf(problem, near, one.quantity), point)
  )
  return { ...near, predicted: rows.map((r) => r.predicted), slope: rows.map((r) => r.slope) }
}

/** The model of a chain at a point: with what is guessed of what nobody told. */
export function modelAt(
  { sheet, corrections, nuisances, nuisancesAt, scale }: Train,
  part: Part,
  u: readonly number[]
) {
  const values = nuisances.map(({ prior }, i) => {
    const value = u[nuisancesAt + i]! * scale[nuisancesAt + i]!
    return prior ? Math.max(0, value) : value
  })
  const known = values.every((value) => value === 0)
  return known ? part.model : chainModel(sheet, part.chain, guessedCorrections(corrections, nuisances, values))
}

/** What the hand of an observation adds to what it reads, at a point. */
export function handAt({ scale }: Train, { hand }: Observation, point: readonly number[]): number {
  return hand === null ? 0 : point[hand]! * scale[hand]!
}

/** With what the observation's hand adds to all that it reads. */
function withHand(
  problem: Problem,
  observation: Observation,
  row: { predicted: number; slope: number[] },
  point: readonly number[]
): { predicted: number; slope: number[] } {
  const { hand } = observation
  if (hand === null) return row
  return {
    predicted: row.predicted + handAt(problem, observation, point),
    slope: row.slope.map((s, i) => (i === hand ? problem.scale[hand]! : s))
  }
}

interface ChainLinearised {
  readout: ChainReadout
  extensionSlope: number[]
  /** Of its own stage, without offsets. */
  lagSlope: Matrix
}

function lineariseChain(
  train: Train,
  part: Part,
  point: readonly number[],
  width?: readonly number[]
): ChainLinearised {
  const { at } = part
  const { scale } = train
  const model = modelAt(train, part, point)
  const state = stateAt(train, part, point)
  const readout = model.readout(state)
  const near = readout.armAngle ?? undefined
  const extensionSlope = scale.map(() => 0)
  const lagSlope = model.cams.map(() => scale.map(() => 0))
  for (let i = at.elongation; i <= at.padWear; i++) {
    const up = width ? width[i]! * scale[i]! : i === at.elongation ? STEP.elongation : STEP.wear
    const down = width ? Math.min(up, Math.max(0, point[i]! * scale[i]!)) : 0
    const from = down > 0 ? model.readout(stepWear(state, i, -down, at), near) : readout
    const to = model.readout(stepWear(state, i, up, at), near)
    const unit = scale[i]! / (up + down)
    if (from.extension !== null) extensionSlope[i] = ((to.extension ?? NaN) - from.extension) * unit
    model.cams.forEach((_, cam) => (lagSlope[cam]![i] = (to.lag[cam]! - from.lag[cam]!) * unit))
  }
  extensionSlope[at.extension] = scale[at.extension]!
  train.nuisances.forEach(({ question, step }, k) => {
    if (question === 'offsetKeys') return
    const i = train.nuisancesAt + k
    const further = point.slice()
    further[i] = Math.max(0, point[i]!) + step / scale[i]!
    const to = modelAt(train, part, further).readout(state, near)
    const unit = scale[i]! / step
    if (readout.extension !== null) extensionSlope[i] = ((to.extension ?? NaN) - readout.extension) * unit
    model.cams.forEach((_, cam) => (lagSlope[cam]![i] = (to.lag[cam]! - readout.lag[cam]!) * unit))
  })
  return { readout, extensionSlope, lagSlope }
}

/** What a quantity would read at the point, and its slope per unknown. */
export function predictionOf(
  { parts, cams, scale }: Train,
  near: Omit<Linearised, 'predicted' | 'slope'>,
  quantity: Observation['quantity']
): { predicted: number; slope: number[] } {
  const { point } = near
  const value = (i: number) => point[i]! * scale[i]!
  const single = (i: number, by = 1) => scale.map((s, k) => (k === i ? s * by : 0))
  switch (quantity.of) {
    case 'extension':
      return {
        predicted: (near.readouts[quantity.part]!.extension ?? NaN) + value(parts[quantity.part]!.at.extension),
        slope: near.extensionSlope[quantity.part]!
      }
    case 'lag': {
      const { part, place, key } = cams[quantity.cam]!
      const predicted = near.lag[quantity.cam]! + value(parts[part]!.at.lag + place)
      const slope = near.lagSlope[quantity.cam]!
      return key === null
        ? { predicted, slope }
        : { predicted: predicted + value(key), slope: slope.map((s, i) => (i === key ? scale[key]! : s)) }
    }
    case 'wear':
      return kept(parts[quantity.part]!.at.wear + quantity.rail)
    case 'padWear':
      return kept(parts[quantity.part]!.at.padWear)
    case 'elongation': {
      const i = parts[quantity.part]!.at.elongation
      return {
        predicted: quantity.shift + quantity.scale * Math.min(Math.max(0, value(i)), ELONGATION_MAX),
        slope: single(i, quantity.scale)
      }
    }
    case 'count':
      return { predicted: quantity.base, slope: scale.map(() => 0) }
    case 'untold':
      return { predicted: value(quantity.at), slope: single(quantity.at) }
  }
  function kept(i: number) {
    return { predicted: Math.max(0, value(i)), slope: single(i) }
  }
}

function stepWear(state: ChainWear, i: number, step: number, at: Part['at']): ChainWear {
  if (i === at.elongation) return { ...state, elongation: state.elongation + step }
  if (i === at.padWear) return { ...state, padWear: state.padWear + step }
  return { ...state, wear: state.wear.map((w, k) => (k === i - at.wear ? w + step : w)) }
}

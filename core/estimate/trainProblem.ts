import { ELONGATION_MAX, type Matrix } from '../math'
import type { ChainModel, ChainReadout, ChainWear } from '../drive'
import type { Chain } from '../sheet'
import type { Observation } from './observation'
import type { Priors } from './priors'

/** One chain of a train and the places of its unknowns in u. */
export interface Part {
  chain: Chain
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
}

/**
 * Chains that hang together by stages; mostly just one. Their unknowns stand in one vector u, each in units of its
 * prior:
 * chain by chain [elongation, wear per rail, pad wear, extension offset, lag offset per driven sprocket]. The first are
 * at least 0 with a half-normal prior, the offsets normal.
 */
export interface Train {
  parts: Part[]
  cams: Cam[]
  /** Prior scale of each unknown, in its own unit. */
  scale: number[]
  bounded: boolean[]
}

/** A train with what was read on it. */
export interface Problem extends Train {
  observations: readonly Observation[]
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
 * @param chains a train's chains with their models and, for staged ones, the id of the sprocket that drives them
 * @param extensionSpread mm added to the scatter of each chain's extension, in their order
 */
export function trainOf(
  chains: readonly { chain: Chain; model: ChainModel; upstream: string | null }[],
  priors: Priors,
  extensionSpread: readonly number[]
): Train {
  const train: Train = { parts: [], cams: [], scale: [], bounded: [] }
  chains.forEach(({ chain, model }, part) => {
    const start = train.scale.length
    const padWear = start + 1 + model.rails.length
    train.parts.push({
      chain,
      model,
      at: { elongation: start, wear: start + 1, padWear, extension: padWear + 1, lag: padWear + 2 }
    })
    train.scale.push(
      priors.elongation,
      ...model.rails.map(() => priors.wear),
      priors.padWear,
      Math.hypot(priors.extensionScatter, extensionSpread[part]!),
      ...model.cams.map(() => priors.lagScatter)
    )
    while (train.bounded.length < train.scale.length) train.bounded.push(train.bounded.length <= padWear)
    model.cams.forEach((id, place) =>
      train.cams.push({ id, part, place, degreesPerTooth: model.degreesPerTooth, inherits: [] })
    )
  })
  for (const cam of train.cams)
    cam.inherits = inheritFrom(
      train,
      chains.map((c) => c.upstream),
      cam
    )
  return train
}

function inheritFrom({ cams }: Train, upstream: readonly (string | null)[], cam: Cam): number[] {
  const above = cams.findIndex(({ id }) => id === upstream[cam.part])
  return above < 0 ? [] : [above, ...inheritFrom({ cams } as Train, upstream, cams[above]!)]
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
  const { model, at } = part
  const { scale } = train
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
      const { part, place } = cams[quantity.cam]!
      return {
        predicted: near.lag[quantity.cam]! + value(parts[part]!.at.lag + place),
        slope: near.lagSlope[quantity.cam]!
      }
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

import { ELONGATION_MAX } from '../constants'
import type { ChainModel, ChainReadout, ChainWear } from '../drive/model'
import type { Matrix } from './linear'
import type { Observation } from './observations'
import type { Priors } from './priors'

/**
 * The unknowns of one chain as a vector u, each in units of its prior: u = [elongation, wear per rail, pad wear,
 * extension offset, lag offset per cam]. The first are at least 0 with a half-normal prior, the offsets normal.
 */
export interface Problem {
  model: ChainModel
  observations: readonly Observation[]
  /** Prior scale of each unknown, in its own unit. */
  scale: number[]
  bounded: boolean[]
  /** Places of the unknowns in u. */
  at: { wear: number; padWear: number; extension: number; lag: number }
}

/** The readings' predictions near a point: prediction(u) ≈ predicted + slope·(u − point), without jumps. */
export interface Linearised {
  point: number[]
  readout: ChainReadout
  predicted: number[]
  slope: Matrix
  /** Slope of the extension, with the offset, per unknown. */
  extensionSlope: number[]
  /** Slope of each cam's lag, with the offset, per unknown. */
  lagSlope: Matrix
}

export function problemOf(model: ChainModel, observations: readonly Observation[], priors: Priors, extensionSpread: number): Problem {
  const rails = model.rails.length
  const at = { wear: 1, padWear: 1 + rails, extension: 2 + rails, lag: 3 + rails }
  const scatter = Math.hypot(priors.extensionScatter, extensionSpread)
  const scale = [priors.elongation, ...model.rails.map(() => priors.wear), priors.padWear, scatter, ...model.cams.map(() => priors.lagScatter)]
  return { model, observations, scale, bounded: scale.map((_, i) => i <= at.padWear), at }
}

/** The drive's state at u, kept where a chain can be. */
export function stateAt({ scale, at }: Problem, u: readonly number[]): ChainWear {
  const positive = (i: number) => Math.max(0, u[i]! * scale[i]!)
  return {
    elongation: Math.min(positive(0), ELONGATION_MAX),
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
export function linearised(problem: Problem, u: readonly number[], width?: readonly number[]): Linearised {
  const { model, scale, at, observations } = problem
  const point = u.slice()
  const state = stateAt(problem, point)
  const readout = model.readout(state)
  const near = readout.armAngle ?? undefined
  const extensionSlope = scale.map(() => 0)
  const lagSlope = model.cams.map(() => scale.map(() => 0))
  for (let i = 0; i <= at.padWear; i++) {
    const up = width ? width[i]! * scale[i]! : i === 0 ? STEP.elongation : STEP.wear
    const down = width ? Math.min(up, Math.max(0, point[i]! * scale[i]!)) : 0
    const from = down > 0 ? model.readout(stepped(state, i, -down, at), near) : readout
    const to = model.readout(stepped(state, i, up, at), near)
    const unit = scale[i]! / (up + down)
    if (from.extension !== null) extensionSlope[i] = (to.extension! - from.extension) * unit
    model.cams.forEach((_, cam) => (lagSlope[cam]![i] = (to.lag[cam]! - from.lag[cam]!) * unit))
  }
  extensionSlope[at.extension] = scale[at.extension]!
  lagSlope.forEach((row, cam) => (row[at.lag + cam] = scale[at.lag + cam]!))
  const predicted: number[] = []
  const slope: Matrix = []
  for (const { quantity } of observations) {
    const row = scale.map(() => 0)
    switch (quantity.of) {
      case 'extension':
        predicted.push(readout.extension! + point[at.extension]! * scale[at.extension]!)
        slope.push(extensionSlope)
        continue
      case 'lag': {
        const offset = at.lag + quantity.cam
        predicted.push(readout.lag[quantity.cam]! + point[offset]! * scale[offset]!)
        slope.push(lagSlope[quantity.cam]!)
        continue
      }
      case 'wear':
        predicted.push(state.wear[quantity.rail]!)
        row[at.wear + quantity.rail] = scale[at.wear + quantity.rail]!
        break
      case 'padWear':
        predicted.push(state.padWear)
        row[at.padWear] = scale[at.padWear]!
        break
      case 'elongation':
        predicted.push(quantity.shift + quantity.scale * state.elongation)
        row[0] = quantity.scale * scale[0]!
        break
      case 'count':
        predicted.push(quantity.base)
        break
    }
    slope.push(row)
  }
  return { point, readout, predicted, slope, extensionSlope, lagSlope }
}

function stepped(state: ChainWear, i: number, step: number, at: Problem['at']): ChainWear {
  if (i === 0) return { ...state, elongation: state.elongation + step }
  if (i === at.padWear) return { ...state, padWear: state.padWear + step }
  return { ...state, wear: state.wear.map((w, k) => (k === i - at.wear ? w + step : w)) }
}

import type { ChainModel, ChainWear } from '../drive'
import { combineFigures, cutMean } from '../math'
import { compileSheet, limitFor, type DriveSheet } from '../sheet'
import { extensionBudget } from './budget'
import { boundedEstimate, linearEstimate, marginal } from './marginals'
import type { Observation } from './observation'
import { modelAt, type Part, type Problem } from './trainProblem'
import { type Solution, toldBy } from './solve'
import type { TensionerEstimate } from './types'

/**
 * A tensioner's extension as it stands, the budget that it comes from, and the travel left.
 * @param place the chain's place in the train
 * @param id of the tensioner
 * @param reference the same chain without corrections
 */
export function tensionerEstimate(
  sheet: DriveSheet,
  problem: Problem,
  solution: Solution,
  place: number,
  id: string,
  reference: ChainModel
): TensionerEstimate {
  const part = problem.parts[place]!
  const { at } = part
  const model = modelAt(problem, part, solution.components[0]!.posterior.mean)
  const tensioner = compileSheet(sheet).tensioner(id)
  const state = meanState(problem, solution, part)
  const { extension: predicted, slack, armAngle } = model.readout(state)
  const extension = predicted ?? NaN
  const read = extensionRead(problem, solution, place)
  const stands = read ?? extension
  const { sd, overLimit } = linearEstimate(
    solution,
    ({ near }) => (near.readouts[place]!.extension ?? NaN) + near.point[at.extension]! * problem.scale[at.extension]!,
    ({ near }) => near.extensionSlope[place]!,
    tensioner.limit?.value
  )
  return {
    extension: { predicted: extension, read, sd, overLimit },
    padWear: boundedEstimate(problem, solution, at.padWear, limitFor(sheet, 'padWear', tensioner.id)?.value),
    budget: extensionBudget(model, reference, state, read),
    travelLeft: {
      toStroke: tensioner.stroke - stands,
      toLimit: tensioner.limit ? tensioner.limit.value - stands : null
    },
    slack,
    armAngle
  }
}

/** The readings of an extension as one, wrong ones as what they should have read; null without any. */
function extensionRead(problem: Problem, { components }: Solution, place: number): number | null {
  const told = toldBy(problem, components[0]!)
  const isMine = ({ quantity }: Observation) => quantity.of === 'extension' && quantity.part === place
  const mine = told.observations.filter(isMine)
  // One that is only far off keeps its value but has lost its weight, unless nothing else was read.
  return combineFigures(mine)?.mean ?? null
}

function meanState(problem: Problem, solution: Solution, { model, at }: Part): ChainWear {
  const mean = (i: number) => cutMean(marginal(problem, solution, i))
  return {
    elongation: mean(at.elongation),
    wear: model.rails.map((_, i) => mean(at.wear + i)),
    padWear: mean(at.padWear)
  }
}

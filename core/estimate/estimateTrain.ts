import { chainModel, type ChainModel, type Corrections, isCharted, RAIL_GAIN_DEFAULT } from '../drive'
import { placesOf, type KnownReading } from '../readings'
import { compileSheet, limitFor, type Chain, type DriveSheet } from '../sheet'
import { camEstimate } from './camEstimate'
import { doubtMade } from './doubtMade'
import { boundedEstimate } from './marginals'
import { problemOf } from './hands'
import { nextReadings } from './next'
import { observationsOf } from './observations'
import { PRIORS, type Priors } from './priors'
import { trainOf, type Problem } from './trainProblem'
import { openQuestions } from './nuisances'
import { readingEstimates } from './readingEstimates'
import { type Solution, solve } from './solve'
import { EQUAL_STAKES, type Stakes } from './stakes'
import { tensionerEstimate } from './tensionerEstimate'
import type { ChainEstimate, ReadingFault, TrainResult } from './types'

/**
 * What the readings of a train's chains say about them and what rides on them.
 * @param chains chains that hang together by stages; mostly one
 * @param readings all of the job's readings, in the job's order; those of other chains are passed over
 * @throws RangeError when the sheet is not sound; a bad reading never throws, it is named in `faults` and left out
 */
export function estimateTrain(
  sheet: DriveSheet,
  chains: readonly Chain[],
  readings: readonly KnownReading[],
  corrections: Corrections = {},
  priors: Priors = PRIORS,
  stakes: Stakes = EQUAL_STAKES
): TrainResult {
  const { problem, faults } = trainFor(sheet, chains, readings, corrections, priors)
  const solution = solve(problem, priors)
  const estimated = readingEstimates(problem, solution)
  const { next, loss } = nextReadings(sheet, problem, solution, readings, estimated, priors, stakes)
  const corrected =
    problem.nuisances.length > 0 || Object.values(corrections).some((told) => Object.keys(told ?? {}).length > 0)
  return {
    chains: Object.fromEntries(chains.map((chain, i) => [chain.id, chainEstimate(sheet, problem, solution, i)])),
    rails: Object.fromEntries(
      problem.parts.flatMap(({ model, at }) =>
        model.rails.map((id, i) => [
          id,
          { wear: boundedEstimate(problem, solution, at.wear + i, limitFor(sheet, 'groove', id)?.value) }
        ])
      )
    ),
    tensioners: Object.fromEntries(
      problem.parts.flatMap(({ chain, model }, i) =>
        model.tensioner === null
          ? []
          : [
              [
                model.tensioner,
                tensionerEstimate(
                  sheet,
                  problem,
                  solution,
                  i,
                  model.tensioner,
                  corrected ? chainModel(sheet, chain) : model
                )
              ]
            ]
      )
    ),
    cams: Object.fromEntries(problem.cams.map(({ id }, i) => [id, camEstimate(sheet, problem, solution, i, priors)])),
    readings: estimated,
    next,
    loss,
    faults
  }
}

/** A train with what was read on it, ready to be solved. */
export function trainFor(
  sheet: DriveSheet,
  chains: readonly Chain[],
  readings: readonly KnownReading[],
  corrections: Corrections,
  priors: Priors
): { problem: Problem; faults: ReadingFault[] } {
  const models = chains.map((chain) => ({
    chain,
    model: chainModel(sheet, chain, corrections)
  }))
  const train = trainOf(
    sheet,
    corrections,
    models,
    openQuestions(sheet, chains, corrections, priors),
    priors,
    models.map(({ chain, model }) => guessedGainSpread(sheet, chain, model, priors))
  )
  const { observations, faults } = observationsOf(sheet, train, readings, corrections, priors)
  return { problem: problemOf(train, observations, priors), faults }
}

/** mm that a counted sheet's curve is off by, whatever its points are. */
const COUNTED_SPREAD = 0.2

/**
 * mm by which an unread rail may move the extension of a counted sheet whose rail gains are only guessed (to half their
 * size).
 */
function guessedGainSpread(sheet: DriveSheet, chain: Chain, model: ChainModel, priors: Priors): number {
  const tensioner = compileSheet(sheet).tensionerOf(chain.id)
  if (isCharted(sheet, chain) || !tensioner) return 0
  const guessed = model.rails.filter((id) => tensioner.railGain?.[id] === undefined)
  return Math.hypot(
    COUNTED_SPREAD,
    ...guessed.map((id) => 0.5 * RAIL_GAIN_DEFAULT[compileSheet(sheet).rail(id).kind] * priors.wear)
  )
}

function chainEstimate(sheet: DriveSheet, problem: Problem, solution: Solution, place: number): ChainEstimate {
  const { chain, at } = problem.parts[place]!
  const limit = limitFor(sheet, 'elongation', chain.id)
  const used = problem.observations.flatMap((o) => (o.part === place && o.reading ? [o.reading] : []))
  return {
    elongation: boundedEstimate(problem, solution, at.elongation, limit ? limit.value / 100 : undefined),
    made: doubtMade(
      problem,
      solution.components[0]!,
      problem.scale.map((scale, i) => (i === at.elongation ? scale : 0))
    ),
    status: solution.status,
    readings: used.map(({ id }) => id),
    places: placesOf(sheet, chain, used)
  }
}

import { trainsOf } from '../drive'
import type { JobFile } from '../readings'
import { type Candidate, candidatesOf } from './candidates'
import { type Cause, wearingsOf } from './causes'
import { trainFor } from './estimateTrain'
import { withLearnt } from './learnt'
import { asksOf, wouldShow } from './parting'
import { PRIORS, type Priors } from './priors'
import { readingEstimates } from './readingEstimates'
import { allCauses, isOnly, likeliest, missedBy, onlyStory, rivalsOf, type Story, type View } from './rivals'
import { type Solution, solve } from './solve'
import { jumpedBy, type Problem, stateAt } from './trainProblem'

/** One explanation of what was read of a train: what happened, how likely that is, and what it would show. */
export interface Explanation {
  /** Empty: nothing is past what is usual. */
  causes: Cause[]
  odds: number
  /** Odds of the same with something more beside it. */
  more: number
  /** Asked for; the others are the likeliest. */
  picked: boolean
  /** For each reading of `readings`: what it should show, and by how many of its sigmas it misses that. */
  shows: { value: number; misses: number }[]
  /** For each of `asks`. */
  would: { value: number; sd: number }[]
  /** The drive as it stands then: elongations as fractions, wears and extensions in mm, lags in crank degrees. */
  state: {
    chains: Record<string, number>
    rails: Record<string, number>
    pads: Record<string, number>
    extensions: Record<string, number>
    cams: Record<string, { lag: number; wearLag: number; teeth: number }>
  }
}

/** Something to read that would part the explanations: 0 not at all, 1 beyond doubt. */
export type Ask = Pick<Candidate, 'target' | 'from' | 'to' | 'minutes'> & {
  kind: Exclude<Candidate['kind'], 'question'>
  method: string
  parts: number
}

/** Explanations of one train side by side, the likeliest first, those that were picked behind. */
export interface Explanations {
  chains: string[]
  /** Ids of the readings that bear on the train. */
  readings: string[]
  stories: Explanation[]
  /** Odds of all that is not shown. */
  rest: number
  /** What would part them, the most first. */
  asks: Ask[]
  /** Everything that can be picked. */
  causes: Cause[]
}

/**
 * The likeliest explanations of a job's readings side by side, train by train. Those with teeth jumped, readings wrong
 * or cams moved weigh what the estimate's stories weigh; what is left to a drive on its marks with sound readings is
 * parted among its wears: which of them alone, or two together, are worn beyond what is usual (the tails of the priors;
 * beyond half their limits), by how well each explains the readings (its evidence).
 * @param job checked by readJob
 * @returns trains that nothing was read of, or whose readings do not belong together, are left out
 * @param picked causes to be shown as the only one, whatever their odds
 */
export function explain(job: JobFile, picked: readonly Cause[] = [], defaults: Priors = PRIORS): Explanations[] {
  const priors = withLearnt(defaults, job.priors)
  return trainsOf(job.drive).flatMap((chains) => {
    const { problem } = trainFor(job.drive, chains, job.readings, job.corrections ?? {}, priors)
    if (problem.read === 0) return []
    try {
      return [explainTrain(job, problem, solve(problem, priors), picked, priors)]
    } catch {
      // Readings that cannot be computed together are named by the estimate.
      return []
    }
  })
}

function explainTrain(
  job: JobFile,
  problem: Problem,
  solution: Solution,
  picked: readonly Cause[],
  priors: Priors
): Explanations {
  const view: View = { problem, solution, wearings: wearingsOf(job.drive, problem, priors), priors }
  const rivals = rivalsOf(view)
  const likely = likeliest(rivals)
  const asked = picked.flatMap((cause): Story[] => {
    if (likely.some((story) => isOnly(story, cause))) return []
    const story = rivals.all.find((one) => isOnly(one, cause)) ?? onlyStory(view, cause)
    return story ? [story] : []
  })
  const shown = [...likely, ...asked]
  const readings = problem.observations.slice(0, problem.read)
  const estimated = readingEstimates(problem, solution)
  const asks = asksOf(candidatesOf(problem, job.readings, estimated), shown)
  return {
    chains: problem.parts.map(({ chain }) => chain.id),
    readings: readings.map(({ reading }) => reading?.id ?? ''),
    stories: shown.map((story) => ({
      causes: story.causes,
      odds: story.odds,
      more: story.more,
      picked: asked.includes(story),
      shows: readings.map(({ value, whole, reading }, k) => {
        const misses = missedBy(story, k)
        // A lag is held without the offset key that its mark is read with.
        return { value: (reading?.kind === 'camLag' ? reading.value : value) - misses * whole, misses }
      }),
      would: asks.map(({ candidate }) => wouldShow(candidate, story)),
      state: stateOf(story)
    })),
    rest: Math.max(0, 1 - shown.reduce((sum, { odds, more }) => sum + odds + more, 0)),
    asks: asks.map(({ candidate: { kind, target, from, to, method, minutes }, parts }) => ({
      kind: kind as Ask['kind'],
      target,
      ...(from && to ? { from, to } : {}),
      method: method ?? '',
      minutes,
      parts
    })),
    causes: allCauses(view)
  }
}

function stateOf({ problem, as: { near, posterior, teeth } }: Story): Explanation['state'] {
  const state: Explanation['state'] = { chains: {}, rails: {}, pads: {}, extensions: {}, cams: {} }
  const { mean } = posterior
  problem.parts.forEach((part, i) => {
    const { chain, model, at } = part
    const { elongation, wear, padWear } = stateAt(problem, part, mean)
    state.chains[chain.id] = elongation
    model.rails.forEach((id, rail) => (state.rails[id] = wear[rail]!))
    if (model.tensioner === null) return
    state.pads[model.tensioner] = padWear
    const { extension } = near.readouts[i]!
    if (extension !== null)
      state.extensions[model.tensioner] = extension + mean[at.extension]! * problem.scale[at.extension]!
  })
  problem.cams.forEach(({ id, part, place }, i) => {
    const at = problem.parts[part]!.at.lag + place
    const wearLag = near.lag[i]!
    state.cams[id] = {
      lag: wearLag + mean[at]! * problem.scale[at]! + jumpedBy(problem, i, teeth),
      wearLag,
      teeth: teeth[i]!
    }
  })
  return state
}

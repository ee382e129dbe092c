import { groupBy, type HalfNormals } from '../math'
import { handMethodOf, type JobFile, type LearntPriors, NUMERIC_KINDS } from '../readings'
import { trainsOf } from '../drive'
import { trainFor } from './estimateTrain'
import { withLearnt } from './learnt'
import { PRIORS, type Priors } from './priors'
import { predictedWithout } from './readingEstimates'
import { solve, type Solution, toldBy } from './solve'
import type { Problem } from './trainProblem'

/**
 * How many engines a default counts for: so many of a workshop's own make its figures weigh as much as the default.
 */
const DEFAULT_WEIGHS = 12
/** The same for a person's readings of a kind by a method. */
const METHOD_WEIGHS = 20
/** Times that the figures are learnt anew from what they then make of every job. */
const ROUNDS = 4
/** What is learnt lies within these many times the default either way. */
const MOST = 3
/** Share of what is believed that a job must add, for it to tell of a figure. */
const TELLS = 0.3

const FIGURES = ['elongation', 'wear', 'padWear', 'extensionScatter', 'lagScatter'] as const
type Figure = (typeof FIGURES)[number]

/** What one job tells: second moments in units of the prior's, each with how much it was told by readings. */
type Told = { figure: Figure; square: number; weight: number }

/** How far a reading missed what the others said of it, and how much of that is its own. */
interface Miss {
  by: string
  what: string
  square: number
  weight: number
}

/**
 * What a workshop's own finished jobs on one type of engine say of it: scales of stretch, wear, pad and as-new scatter,
 * and what people's readings scatter by. Each figure is the root of the mean square of what the jobs that tell of it
 * found (expectation maximisation: their posterior second moments under the figures learnt so far; A. P. Dempster,
 * N. M. Laird and D. B. Rubin, Maximum likelihood from incomplete data via the EM algorithm, 1977), with the default
 * counted in as so many engines, and each job by how much its readings told.
 * @param jobs of one type; those that cannot be computed teach nothing
 */
export function learnPriors(jobs: readonly JobFile[], base: Priors = PRIORS): LearntPriors {
  let learnt: LearntPriors = { engines: 0 }
  for (let round = 0; round < ROUNDS; round++) {
    const priors = withLearnt(base, learnt)
    const told = jobs.map((job) => lookAt(job, priors))
    learnt = {
      engines: told.filter(({ figures }) => figures.length > 0).length,
      ...Object.fromEntries(
        FIGURES.flatMap((figure) => {
          const scale = learntScale(
            base[figure],
            priors[figure],
            told.flatMap(({ figures }) => figures.filter((one) => one.figure === figure))
          )
          return scale === null ? [] : [[figure, scale]]
        })
      ),
      people: learntPeople(told.flatMap(({ misses }) => misses))
    }
  }
  return learnt
}

/**
 * One's own figures of a type of engine with those of other workshops, as if all their engines had been one's own: the
 * default that counts in each is counted once.
 */
export function poolLearnt(
  own: LearntPriors | null,
  others: readonly LearntPriors[],
  base: Priors = PRIORS
): LearntPriors | null {
  const all = [...(own ? [own] : []), ...others].filter(({ engines }) => engines > 0)
  if (others.length === 0 || all.length === 0) return own
  const figures = FIGURES.flatMap((figure) => {
    const told = all.flatMap(({ engines, [figure]: scale }) => (scale === undefined ? [] : [{ engines, scale }]))
    if (told.length === 0) return []
    const square = base[figure] ** 2
    const engines = told.reduce((sum, one) => sum + one.engines, 0)
    const seen = told.reduce(
      (sum, one) => sum + one.scale ** 2 * (DEFAULT_WEIGHS + one.engines) - DEFAULT_WEIGHS * square,
      DEFAULT_WEIGHS * square
    )
    return [[figure, withinReach(Math.sqrt(Math.max(0, seen / (DEFAULT_WEIGHS + engines))), base[figure])] as const]
  })
  const engines = all.reduce((sum, one) => sum + one.engines, 0)
  return { engines, others: engines - (own?.engines ?? 0), ...Object.fromEntries(figures) }
}

/** A scale from the jobs that tell of it and the default; null where none does. */
function learntScale(base: number, now: number, told: readonly Told[]): number | null {
  const weight = told.reduce((sum, one) => sum + one.weight, 0)
  if (weight === 0) return null
  const squares = told.reduce((sum, one) => sum + one.weight * one.square * now * now, 0)
  const scale = Math.sqrt((DEFAULT_WEIGHS * base * base + squares) / (DEFAULT_WEIGHS + weight))
  return withinReach(scale, base)
}

const withinReach = (scale: number, base: number) => Math.min(Math.max(scale, base / MOST), base * MOST)

/** By person and what they read with: times the default sd that their readings scatter by. */
function learntPeople(misses: readonly Miss[]): NonNullable<LearntPriors['people']> {
  return [...groupBy(misses, ({ by, what }) => JSON.stringify([by, what])).values()].map((mine) => {
    const { by, what } = mine[0]!
    const weight = mine.reduce((sum, one) => sum + one.weight, 0)
    const squares = mine.reduce((sum, one) => sum + one.weight * one.square, 0)
    const times = Math.sqrt(Math.max((METHOD_WEIGHS + squares) / (METHOD_WEIGHS + weight), 0))
    return { by, what, times: Math.min(Math.max(times, 1 / MOST), MOST), readings: mine.length }
  })
}

function lookAt(job: JobFile, priors: Priors): { figures: Told[]; misses: Miss[] } {
  const all = trainsOf(job.drive).flatMap((chains) => {
    try {
      const { problem } = trainFor(job.drive, chains, job.readings, job.corrections ?? {}, priors)
      const solution = solve(problem, priors)
      return [{ figures: figuresOf(problem, solution), misses: missesOf(problem, solution) }]
    } catch {
      return []
    }
  })
  return { figures: all.flatMap(({ figures }) => figures), misses: all.flatMap(({ misses }) => misses) }
}

function figuresOf(problem: Problem, { components }: Solution): Told[] {
  const { parts, cams, bounded } = problem
  const told = (figure: Figure, i: number): Told[] => {
    const [mean, square] = components.reduce(
      ([m, s], { weight, posterior }) => [
        m + weight * posterior.mean[i]!,
        s + weight * (posterior.covariance[i]![i]! + posterior.mean[i]! ** 2)
      ],
      [0, 0]
    )
    const weight = 1 - (square - mean * mean) / varianceOf(bounded[i] ?? null)
    return weight > TELLS ? [{ figure, square: square / squareOf(bounded[i] ?? null), weight }] : []
  }
  return [
    ...parts.flatMap(({ model, at }) => [
      ...told('elongation', at.elongation),
      ...model.rails.flatMap((_, i) => told('wear', at.wear + i)),
      ...told('padWear', at.padWear),
      ...told('extensionScatter', at.extension)
    ]),
    ...cams.flatMap(({ part, place }) => told('lagScatter', parts[part]!.at.lag + place))
  ]
}

/** Mean square of a prior, in prior units. */
function squareOf(prior: HalfNormals | null): number {
  return prior ? prior.reduce((sum, { weight, scale }) => sum + weight * scale * scale, 0) : 1
}

function varianceOf(prior: HalfNormals | null): number {
  if (!prior) return 1
  const mean = prior.reduce((sum, { weight, scale }) => sum + weight * scale * Math.sqrt(2 / Math.PI), 0)
  return squareOf(prior) - mean * mean
}

/** Kinds that scatter by how they are read; a count is right or wrong. */
const SCATTERS: ReadonlySet<string> = new Set(NUMERIC_KINDS.filter((kind) => kind !== 'linkCount'))

/** How far readings by somebody missed what all others said, those left out that are wrong. */
function missesOf(problem: Problem, { components }: Solution): Miss[] {
  const best = components[0]!
  const told = toldBy(problem, best)
  const wrong = new Set(best.slips.map(({ observation }) => observation))
  return problem.observations.slice(0, problem.read).flatMap((one, k): Miss[] => {
    const { reading } = one
    if (!reading?.by || !SCATTERS.has(reading.kind) || reading.sigma !== undefined || wrong.has(k)) return []
    const { mean, sd } = predictedWithout(told, best, k)
    const own = one.whole ** 2
    const weight = own / (own + sd * sd)
    if (weight < TELLS) return []
    return [{ by: reading.by, what: handMethodOf(reading), square: ((one.value - mean) ** 2 - sd * sd) / own, weight }]
  })
}

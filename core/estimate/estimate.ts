import { say } from './says'
import { atUsage, impossibleReading, type JobFile } from '../readings'
import { trainsOf } from '../drive'
import { estimateTrain } from './estimateTrain'
import { withLearnt } from './learnt'
import { playReadings } from './playReadings'
import { PRIORS, type Priors } from './priors'
import type { Estimates } from './schema'
import { EQUAL_STAKES, type Stakes } from './stakes'
import { chainOf } from './observations'
import { type ReadingFault, savingMost, type TrainResult } from './types'
import type { Chain } from '../sheet'

/**
 * Estimates every chain of a job's drive, those that drive each other together. Readings that could not be used are
 * named in `faults`.
 */
export function estimate(asRead: JobFile, defaults: Priors = PRIORS, stakes: Stakes = EQUAL_STAKES): Estimates {
  const job = atUsage(asRead)
  const priors = withLearnt(defaults, job.priors)
  const trains = trainsOf(job.drive).map((chains) => soundTrain(job, chains, priors, stakes))
  const used = new Map([...trains.flatMap((t) => t.readings), ...playReadings(job, priors)].map((r) => [r.id, r]))
  return {
    chains: mergeTrains(trains, 'chains'),
    rails: mergeTrains(trains, 'rails'),
    tensioners: mergeTrains(trains, 'tensioners'),
    cams: mergeTrains(trains, 'cams'),
    readings: job.readings.map(({ id }) => used.get(id) ?? { id, ...OUTSIDE }),
    ...mergeNext(trains),
    faults: inOrder(job, [...trains.flatMap((t) => t.faults), ...playFaults(job)])
  }
}

/** What there is to say of a reading outside the model. */
const OUTSIDE = {
  predicted: null,
  residual: null,
  sigma: null,
  wrong: null,
  wrongAs: null,
  wouldRead: null,
  atOdds: false
} as const

/**
 * What a train's readings say; where they cannot be computed together, what is known without them, each of them named.
 */
function soundTrain(job: JobFile, chains: readonly Chain[], priors: Priors, stakes: Stakes): TrainResult {
  const { drive, readings, corrections } = job
  const whole = attempt(() => estimateTrain(drive, chains, readings, corrections, priors, stakes))
  if (whole) return whole
  const mine = readings.filter((reading) => chains.some(({ id }) => id === chainOf(drive, reading)))
  const bare =
    attempt(() => estimateTrain(drive, chains, [], corrections, priors, stakes)) ??
    estimateTrain(drive, chains, [], {}, priors, stakes)
  return { ...bare, faults: mine.map(({ id }) => ({ id, ...say('not-together') })) }
}

/** Null for a result that could not be computed, or whose figures are none. */
function attempt(compute: () => TrainResult): TrainResult | null {
  try {
    const result = compute()
    const { chains, tensioners, cams } = result
    const figures = [
      ...Object.values(chains).flatMap(({ elongation: { mean, sd } }) => [mean, sd]),
      ...Object.values(tensioners).map(({ extension }) => extension.predicted),
      ...Object.values(cams).flatMap(({ lag: { mean, sd } }) => [mean, sd])
    ]
    return figures.every(Number.isFinite) ? result : null
  } catch {
    return null
  }
}

function mergeTrains<K extends 'rails' | 'tensioners' | 'cams' | 'chains'>(
  trains: readonly TrainResult[],
  key: K
): TrainResult[K] {
  return Object.assign({}, ...trains.map((train) => train[key])) as TrainResult[K]
}

/** What may be read next on all trains, what saves most per minute first. */
function mergeNext(trains: readonly TrainResult[]): Pick<Estimates, 'next' | 'loss'> {
  const loss = trains.reduce((sum, train) => sum + train.loss, 0)
  const next = trains.flatMap((train) => train.next)
  return {
    loss,
    next: next.map((one) => ({ ...one, gain: loss > 0 ? Math.min(1, one.worth / loss) : 0 })).sort(savingMost)
  }
}

/** Phaser play belongs to no chain's estimate; an impossible one is named all the same. */
function playFaults(job: JobFile): ReadingFault[] {
  return job.readings.flatMap((reading) => {
    const why = reading.kind === 'phaserPlay' ? impossibleReading(job.drive, reading) : null
    return why ? [{ id: reading.id, ...why }] : []
  })
}

/** Faults in the order in which their readings stand in the job. */
function inOrder({ readings }: JobFile, faults: readonly ReadingFault[]): ReadingFault[] {
  const places = new Map(readings.map(({ id }, place) => [id, place]))
  return [...faults].sort((a, b) => (places.get(a.id) ?? 0) - (places.get(b.id) ?? 0))
}

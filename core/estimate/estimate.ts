import type { Assessment } from '../assessment/schema'
import type { JobFile } from '../job/types'
import { trainsOf } from '../drive/train'
import { estimateTrain } from './estimateTrain'
import { PRIORS, type Priors } from './priors'
import type { ReadingFault, TrainResult } from './types'
import { impossibleReading } from '../readings/impossible'

/** What all readings of a job say together, by part. */
export type Estimates = Omit<Assessment, 'format' | 'version' | 'calls'>

/** Estimates every chain of a job's drive, those that drive each other together. Readings that could not be used are named in `faults`. */
export function estimate(job: JobFile, priors: Priors = PRIORS): Estimates {
  const trains = trainsOf(job.drive).map((chains) => estimateTrain(job.drive, chains, job.readings, job.corrections, priors))
  const used = new Map(trains.flatMap((t) => t.readings).map((r) => [r.index, r]))
  return {
    chains: merged(trains, 'chains'),
    rails: merged(trains, 'rails'),
    tensioners: merged(trains, 'tensioners'),
    cams: merged(trains, 'cams'),
    readings: job.readings.map((_, index) => used.get(index) ?? { index, predicted: null, residual: null, sigma: null, atOdds: false }),
    next: trains.flatMap((t) => t.next).sort((a, b) => b.gain - a.gain),
    faults: [...trains.flatMap((t) => t.faults), ...playFaults(job)].sort((a, b) => a.index - b.index)
  }
}

function merged<K extends 'rails' | 'tensioners' | 'cams' | 'chains'>(trains: readonly TrainResult[], key: K): TrainResult[K] {
  return Object.assign({}, ...trains.map((train) => train[key])) as TrainResult[K]
}

/** Phaser play belongs to no chain's estimate; an impossible one is named all the same. */
function playFaults(job: JobFile): ReadingFault[] {
  return job.readings.flatMap((reading, index) => {
    const message = reading.kind === 'phaserPlay' ? impossibleReading(job.drive, reading) : null
    return message ? [{ index, message }] : []
  })
}

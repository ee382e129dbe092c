import type { JobFile } from '../job/types'
import { estimateChain } from './estimateChain'
import { PRIORS, type Priors } from './priors'
import type { NextReading } from './next'
import type { ReadingFault } from './observations'
import type { CamEstimate, ChainEstimate, ReadingEstimate, TensionerEstimate, WearEstimate } from './types'
import { impossibleReading } from '../readings/checkReading'

/** What all readings of a job say together, by part. */
export interface Estimates {
  chains: Record<string, ChainEstimate>
  rails: Record<string, { wear: WearEstimate }>
  tensioners: Record<string, TensionerEstimate>
  cams: Record<string, CamEstimate>
  readings: ReadingEstimate[]
  next: NextReading[]
  faults: ReadingFault[]
}

/** Estimates every chain of a job's drive. Readings that could not be used are named in `faults`. */
export function estimate(job: JobFile, priors: Priors = PRIORS): Estimates {
  const chains = job.drive.chains.map((chain) => ({ id: chain.id, ...estimateChain(job.drive, chain, job.readings, job.corrections, priors) }))
  const used = new Map(chains.flatMap((c) => c.readings).map((r) => [r.index, r]))
  return {
    chains: Object.fromEntries(chains.map((c) => [c.id, c.chain])),
    rails: Object.assign({}, ...chains.map((c) => c.rails)),
    tensioners: Object.assign({}, ...chains.map((c) => c.tensioners)),
    cams: Object.assign({}, ...chains.map((c) => c.cams)),
    readings: job.readings.map((_, index) => used.get(index) ?? { index, predicted: null, residual: null, sigma: null, atOdds: false }),
    next: chains.flatMap((c) => c.next).sort((a, b) => b.gain - a.gain),
    faults: [...chains.flatMap((c) => c.faults), ...playFaults(job)].sort((a, b) => a.index - b.index)
  }
}

/** Phaser play belongs to no chain's estimate; an impossible one is named all the same. */
function playFaults(job: JobFile): ReadingFault[] {
  return job.readings.flatMap((reading, index) => {
    const message = reading.kind === 'phaserPlay' ? impossibleReading(job.drive, reading) : null
    return message ? [{ index, message }] : []
  })
}

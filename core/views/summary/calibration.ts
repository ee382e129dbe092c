import { assess } from '../../paths'
import { combineFigures } from '../../math'
import { type Act, jobFile, type KeptJob } from '../../record'
import { STRETCH_KINDS, isBenchLength, readingSigma } from '../../readings'

/** How a first estimate agreed with the chain on the bench; per cent of elongation. */
export interface CalibrationPoint {
  chain: string
  name: string
  /** From everything but bench lengths. */
  mean: number
  sd: number
  bench: number
  benchSd: number
}

/**
 * For each chain measured on the bench: what the other readings had said of it. A chain of which they say nothing is no
 * test of them.
 */
export function calibrationOf(job: KeptJob, acts: readonly Act[]): CalibrationPoint[] {
  const file = jobFile(job, acts)
  if (!file.readings.some(isBenchLength)) return []
  const without = { ...file, readings: file.readings.filter((r) => !isBenchLength(r)) }
  const kinds = new Map(without.readings.map(({ id, kind }) => [id, kind]))
  const bears = (id: string) => STRETCH_KINDS.includes(kinds.get(id) ?? 'condition')
  const { chains } = assess(without)
  return file.drive.chains.flatMap((chain): CalibrationPoint[] => {
    const lengths = file.readings.filter(isBenchLength).filter((r) => r.chain === chain.id)
    const told = chains[chain.id]!.readings.some(bears)
    const bench = combineFigures(
      lengths.map((r) => {
        const asNew = r.links * chain.pitch
        return {
          value: (100 * (r.kind === 'chainLength' ? r.value - asNew : r.value)) / asNew,
          sigma: (100 * (readingSigma(file.drive, r) ?? NaN)) / asNew
        }
      })
    )
    if (!told || !bench) return []
    const { mean, sd } = chains[chain.id]!.elongation
    return [{ chain: chain.id, name: chain.name, mean: 100 * mean, sd: 100 * sd, bench: bench.mean, benchSd: bench.sd }]
  })
}

import { assess } from '../../paths'
import { combined, NINETY } from '../../math'
import { type Act, jobFile, type KeptJob } from '../../record'
import { readingSigma, STRETCH_KINDS } from '../../readings'
import { partName } from '../../wording'

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

/** For each chain measured on the bench: what the other readings had said of it. A chain of which they say nothing is no test of them. */
export function calibrationOf(job: KeptJob, acts: readonly Act[]): CalibrationPoint[] {
  const file = jobFile(job, acts)
  const isBench = ({ kind }: { kind: string }) => kind === 'chainLength' || kind === 'chainCompare'
  if (!file.readings.some(isBench)) return []
  const without = { ...file, readings: file.readings.filter((r) => !isBench(r)) }
  const { chains } = assess(without)
  return file.drive.chains.flatMap((chain): CalibrationPoint[] => {
    const lengths = file.readings.filter((r) => isBench(r) && r.chain === chain.id && r.value !== undefined && r.links !== undefined)
    const told = chains[chain.id]!.readings.some((i) => STRETCH_KINDS.includes(without.readings[i]!.kind))
    const bench = combined(lengths.map((r) => {
      const asNew = r.links! * chain.pitch
      return { value: (100 * (r.kind === 'chainLength' ? r.value! - asNew : r.value!)) / asNew, sigma: (100 * readingSigma(file.drive, r)!) / asNew }
    }))
    if (!told || !bench) return []
    const { mean, sd } = chains[chain.id]!.elongation
    return [{ chain: chain.id, name: partName(file.drive, chain.id), mean: 100 * mean, sd: 100 * sd, bench: bench.mean, benchSd: bench.sd }]
  })
}

/** Of some points, how many lie within the 90 % interval of what was to be expected. */
export function coverage(points: readonly CalibrationPoint[]): { held: number; of: number } {
  return { held: points.filter(({ mean, sd, bench, benchSd }) => Math.abs(bench - mean) <= NINETY * Math.hypot(sd, benchSd)).length, of: points.length }
}

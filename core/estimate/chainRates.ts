import { chainModel, type ChainModel, type ChainWear } from '../drive'
import type { Estimates } from './schema'
import { brent } from '../math'
import { findingsIn, type JobFile, STRETCH_KINDS } from '../readings'
import { compileSheet, limitFor } from '../sheet'
import { type Reached, reachedAt, wearRate, type WearRate } from './wearRate'

/** How a chain wears and when that ends. */
export interface ChainRate extends WearRate {
  /** Engine usage at which the elongation limit is reached; null without a limit, or when it never is. */
  limit: Reached | null
  /**
   * Engine usage at which the tensioner reaches its limit or the end of its stroke, chain and rails wearing on alike.
   */
  travel: Reached | null
}

/** Times the wear of today that the end of travel is looked for in. */
const FURTHEST = 20

/**
 * Wear rates of a job's chains: what was measured now and in earlier jobs on this engine, through zero at the fitting.
 * A chain that nobody measured, and one renewed at an unknown usage, has none.
 * @param perDay usage a day, where known
 */
export function chainRates(job: JobFile, estimates: Estimates, perDay?: number): Record<string, ChainRate | null> {
  return Object.fromEntries(
    job.drive.chains.map((chain) => {
      const fittedAt = job.fitted?.[chain.id]
      const unknown = fittedAt === undefined && findingsIn(job.readings, ['renewed-chain']).length > 0
      const { elongation, readings } = estimates.chains[chain.id]!
      const now = bearsOnStretch(job, readings)
      const points = [
        ...(job.history?.[chain.id] ?? []),
        ...(now ? [{ usage: job.usage.value, mean: elongation.mean, sd: elongation.sd }] : [])
      ]
      const rate = unknown ? null : wearRate(points, fittedAt)
      if (!rate || rate.rate.mean === 0) return [chain.id, null]
      const reached = (at: number | null) =>
        at === null ? null : finite(reachedAt(rate, at, fittedAt ?? 0, job.usage.value, perDay))
      const limit = limitFor(job.drive, 'elongation', chain.id)
      return [
        chain.id,
        {
          ...rate,
          limit: reached(limit ? limit.value / 100 : null),
          travel: reached(travelEndsAt(job, estimates, chain.id))
        }
      ]
    })
  )
}

/** Is any of these readings one that tells of a chain's length? */
function bearsOnStretch({ readings }: JobFile, used: readonly string[]): boolean {
  return readings.some(({ id, kind }) => STRETCH_KINDS.includes(kind) && used.includes(id))
}

function finite(reached: Reached): Reached | null {
  return Number.isFinite(reached.usage.mean) && Number.isFinite(reached.usage.low) ? reached : null
}

/**
 * Elongation (fraction) at which the extension reaches its limit or the stroke's end, every wear growing with the
 * chain's.
 * @returns null when it never does, or nothing is known of the chain's stretch
 */
export function travelEndsAt(
  { drive, corrections }: Pick<JobFile, 'drive' | 'corrections'>,
  { chains, rails, tensioners }: Pick<Estimates, 'chains' | 'rails' | 'tensioners'>,
  id: string
): number | null {
  const parts = compileSheet(drive)
  const [chain, tensioner] = [parts.chain(id), parts.tensionerOf(id)]
  const { mean } = chains[id]!.elongation
  if (!tensioner || !(mean > 0)) return null
  const model = chainModel(drive, chain, corrections)
  const now: ChainWear = {
    elongation: mean,
    wear: model.rails.map((rail) => rails[rail]!.wear.mean),
    padWear: tensioners[tensioner.id]!.padWear.mean
  }
  const end = tensioner.limit?.value ?? tensioner.stroke
  const over = (times: number) => extensionOf(model, now, times) - end
  if (over(0) >= 0) return 0
  const furthest = [FURTHEST, FURTHEST / 2, FURTHEST / 4, FURTHEST / 8, FURTHEST / 16, 1].find((times) =>
    exists(() => over(times))
  )
  if (furthest === undefined || over(furthest) < 0) return null
  return mean * brent(over, 0, furthest, 1e-6)
}

/** Is there a drive at all in that state? Rails worn to nothing leave no contour. */
function exists(look: () => number): boolean {
  try {
    return Number.isFinite(look())
  } catch (error) {
    if (error instanceof RangeError) return false
    throw error
  }
}

function extensionOf(model: ChainModel, now: ChainWear, times: number): number {
  return (
    model.readout({
      elongation: now.elongation * times,
      wear: now.wear.map((w) => w * times),
      padWear: now.padWear * times
    }).extension ?? NaN
  )
}

import { cdf, combineFigures, NINETY } from '../math'
import { type Estimates, nearestNow } from '../estimate'
import { STRETCH_KINDS, partOf, readingSigma, type JobFile, type NumericKind } from '../readings'
import { compileSheet, partKindOf, type Chain } from '../sheet'
import type { Assumptions } from './assumptions'

/** How likely a part that is kept forces the cover off again, and what that rests on. */
export interface KeptOdds {
  odds: number
  basis: 'measured' | 'by usage' | 'said'
}

/**
 * Odds that a kept part is past its limit within the horizon. What was measured goes on wearing at the rate it wore so
 * far: a wear of m ± s at usage u is m·g ± √((s·g)² + (scatter·m·(g − 1))²) with g = (u + horizon)/u. What nobody
 * measured fails by usage, given that it has lasted so far: 1 − S(u + horizon)/S(u), S a Weibull survival.
 */
export function keptOdds(job: JobFile, estimates: Estimates, component: string, assumptions: Assumptions): KeptOdds {
  const said = job.pricing?.odds?.[component]
  if (said !== undefined) return { odds: said, basis: 'said' }
  const used = Math.max(0, job.usage.value - (job.fitted?.[component] ?? 0))
  const wears = used > 0 ? listMeasuredWear(job, estimates, component) : []
  if (wears.length > 0) {
    const odds = Math.max(
      ...wears.map((wear) => pastLimit(wear, (used + assumptions.horizon) / used, assumptions.rateScatter))
    )
    return { odds, basis: 'measured' }
  }
  const { scale, shape } = assumptions.weibull[partKindOf(job.drive, component) ?? 'engine']
  const hazard = (usage: number) => (usage / scale) ** shape
  return { odds: 1 - Math.exp(hazard(used) - hazard(used + assumptions.horizon)), basis: 'by usage' }
}

interface Wear {
  mean: number
  sd: number
  limit: number
  /** What stood there when it was new. */
  asNew: number
}

function pastLimit({ mean, sd, limit, asNew }: Wear, growth: number, scatter: number): number {
  const worn = mean - asNew
  return cdf((asNew + worn * growth - limit) / Math.max(Math.hypot(sd * growth, scatter * worn * (growth - 1)), 1e-9))
}

/** The wears of a component that were measured and have a limit. */
function listMeasuredWear(job: JobFile, estimates: Estimates, component: string): Wear[] {
  const { drive, readings } = job
  const { chains, limit, phasers } = compileSheet(drive)
  const chain = chains.get(component)
  if (chain) return chainWears(job, estimates, chain)
  const wear = estimates.rails[component]?.wear
  const groove = limit('groove', component)
  if (wear && groove && wasRead(job, 'groove', component))
    return [{ mean: wear.mean, sd: wear.sd, limit: groove.value, asNew: 0 }]
  const playLimit = phasers.get(component)?.playLimit
  const plays = readings.flatMap((r) =>
    r.kind === 'phaserPlay' && r.phaser === component ? [{ value: r.value, sigma: readingSigma(drive, r) ?? NaN }] : []
  )
  const play = combineFigures(plays)
  return playLimit && play ? [{ ...play, limit: playLimit.value, asNew: 0 }] : []
}

/** A chain's own length and how far its tensioner stands out, each where it was read and has a limit. */
function chainWears(job: JobFile, estimates: Estimates, chain: Chain): Wear[] {
  const { chains, tensioners } = estimates
  const { limit, tensionerOf } = compileSheet(job.drive)
  const elongationLimit = limit('elongation', chain.id)
  const { elongation, readings: used } = chains[chain.id]!
  const told = job.readings.some(({ id, kind }) => STRETCH_KINDS.includes(kind) && used.includes(id))
  const tensioner = tensionerOf(chain.id)
  const out = tensioner && wasRead(job, 'extension', tensioner.id) ? tensioners[tensioner.id] : null
  return [
    ...(elongationLimit && told
      ? [{ mean: elongation.mean, sd: elongation.sd, limit: elongationLimit.value / 100, asNew: 0 }]
      : []),
    ...(out && tensioner?.limit && out.extension.read !== null
      ? [
          {
            mean: out.extension.read,
            sd: out.extension.sd,
            limit: tensioner.limit.value,
            asNew: out.budget[0]?.mm ?? 0
          }
        ]
      : []),
    ...rideWear(job, estimates, chain)
  ]
}

/** How near it is to riding over its nearest sprocket: there it forces the cover off, whatever it measures. */
function rideWear(job: JobFile, estimates: Estimates, chain: Chain): Wear[] {
  const nearest = nearestNow(job, estimates, chain)
  if (!nearest) return []
  return [{ mean: nearest.mean, sd: (nearest.high - nearest.low) / (2 * NINETY), limit: 1, asNew: 0 }]
}

function wasRead({ readings }: JobFile, kind: NumericKind, part: string): boolean {
  return readings.some((r) => r.kind === kind && partOf(r) === part)
}

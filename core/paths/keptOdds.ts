import { cdf, combined } from '../math'
import type { Estimates } from '../estimate'
import { type JobFile, partOf, readingSigma, STRETCH_KINDS } from '../readings'
import { limitFor, partKindOf } from '../sheet'
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
  const wears = used > 0 ? measured(job, estimates, component) : []
  if (wears.length > 0) {
    const odds = Math.max(...wears.map((wear) => pastLimit(wear, (used + assumptions.horizon) / used, assumptions.rateScatter)))
    return { odds, basis: 'measured' }
  }
  const { scale, shape } = assumptions.weibull[partKindOf(job.drive, component)!]
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
function measured(job: JobFile, { chains, rails, tensioners }: Estimates, component: string): Wear[] {
  const { drive, readings } = job
  const wasRead = (kinds: readonly string[], id: string) => readings.some((r) => kinds.includes(r.kind) && partOf(r) === id)
  const chain = drive.chains.find(({ id }) => id === component)
  if (chain) {
    const limit = limitFor(drive, 'elongation', chain.id)
    const { elongation, readings: used } = chains[chain.id]!
    const told = used.some((i) => STRETCH_KINDS.includes(readings[i]!.kind))
    const tensioner = drive.tensioners.find((t) => t.chain === chain.id)
    const out = tensioner?.limit && wasRead(['extension'], tensioner.id) ? tensioners[tensioner.id]! : null
    return [
      ...(limit && told ? [{ mean: elongation.mean, sd: elongation.sd, limit: limit.value / 100, asNew: 0 }] : []),
      ...(out ? [{ mean: out.extension.read!, sd: out.extension.sd, limit: tensioner!.limit!.value, asNew: out.budget[0]!.mm }] : [])
    ]
  }
  const wear = rails[component]?.wear
  const groove = limitFor(drive, 'groove', component)
  if (wear && groove && wasRead(['groove'], component)) return [{ mean: wear.mean, sd: wear.sd, limit: groove.value, asNew: 0 }]
  const phaser = drive.phasers.find(({ id }) => id === component)
  const read = readings.filter((r) => r.kind === 'phaserPlay' && r.phaser === component)
  const play = combined(read.map((r) => ({ value: r.value!, sigma: readingSigma(drive, r)! })))
  return phaser?.playLimit && play ? [{ ...play, limit: phaser.playLimit.value, asNew: 0 }] : []
}

import { cdf, combined, NINETY } from '../math'
import { elongationRead, STRETCH_KINDS } from '../readings'
import { type Chain, limitFor } from '../sheet'
import { figure, lateOrEarly, odds, partName } from '../wording'
import { callFor, readingsBehind, type RuleContext, shownLimit } from './context'
import type { Finding, Reason } from './types'

/** The reading of a chain that would narrow its elongation most, as what settles an undecided call. */
export function settling({ estimates }: RuleContext, chain: string): Pick<Reason, 'settle'> {
  const next = estimates.next.find((n) => n.chain === chain)
  return next ? { settle: { kind: next.kind, target: next.target } } : {}
}

/** The chain's elongation against its limit. */
export function elongationLimit(context: RuleContext, chain: Chain): Finding[] {
  const { elongation } = context.estimates.chains[chain.id]!
  const readings = readingsBehind(context, chain.id, STRETCH_KINDS)
  const base = { part: chain.id, rule: 'elongation-limit', readings }
  const limit = limitFor(context.job.drive, 'elongation', chain.id)
  if (!limit) return [{ ...base, call: 'look-closer', text: 'The sheet has no elongation limit for this chain: look it up in the maker\'s manual and enter it.', limit: null }]
  const shown = shownLimit('elongation', limit)
  if (readings.length === 0) {
    return [{ ...base, call: 'look-closer', text: 'Nothing read so far tells how long the chain is.', limit: shown, ...settling(context, chain.id) }]
  }
  const call = callFor(context, elongation.overLimit!)
  const measured = `Elongation ${figure(100 * elongation.mean, 2)} % (90 % between ${figure(100 * elongation.low, 2)} and ${figure(100 * elongation.high, 2)} %), limit ${limit.value} %: ${odds(elongation.overLimit!)} likely past it.`
  return [{ ...base, call, text: measured, limit: shown, ...(call === 'look-closer' ? settling(context, chain.id) : {}) }]
}

/** A cam late by wear beyond the lag limit condemns the chain that makes it late. */
export function lagLimit(context: RuleContext, chain: Chain): Finding[] {
  return Object.entries(context.estimates.cams).flatMap(([id, cam]) => {
    const limit = limitFor(context.job.drive, 'camLag', id)
    const readings = readingsBehind(context, chain.id, ['camLag'], id)
    const jumped = 1 - (cam.jump.all['0'] ?? 0) > 0.1
    if (cam.chain !== chain.id || !limit || readings.length === 0 || jumped || cam.lag.overLimit === null) return []
    const call = callFor(context, cam.lag.overLimit)
    if (call === 'back-in') return []
    if (measuredSound(context, chain)) return [lateAllTheSame(context, chain, id, readings, shownLimit('camLag', limit))]
    const text = `${partName(context.job.drive, id)} stands ${figure(Math.abs(cam.lag.mean), 1)}° ${lateOrEarly(cam.lag.mean)}, limit ${limit.value}°, without a jump: wear makes it so (${odds(cam.lag.overLimit)} likely past the limit).`
    return [{ part: chain.id, rule: 'lag-limit', call, text, readings, limit: shownLimit('camLag', limit) }]
  })
}

/** What the bench lengths of a chain say by themselves, whatever else was read: fractions; null without any. */
function benchElongation(context: RuleContext, chain: Chain): { mean: number; sd: number; readings: number[] } | null {
  const { job } = context
  const readings = readingsBehind(context, chain.id, ['chainLength', 'chainCompare'])
  const bench = combined(readings.map((i) => {
    const { elongation: value, sigma } = elongationRead(job.drive, chain, job.readings[i]!)
    return { value, sigma }
  }))
  return bench && { ...bench, readings }
}

/** Was the chain measured on the bench, and found within its limit? */
function measuredSound(context: RuleContext, chain: Chain): boolean {
  const bench = benchElongation(context, chain)
  const limit = limitFor(context.job.drive, 'elongation', chain.id)
  return bench !== null && limit !== null && callFor(context, cdf((bench.mean - limit.value / 100) / bench.sd)) === 'back-in'
}

/** Late by more than the limit while the chain measures sound: it is not the chain. */
function lateAllTheSame(context: RuleContext, chain: Chain, cam: string, readings: number[], limit: Reason['limit']): Finding {
  const bench = readingsBehind(context, chain.id, ['chainLength', 'chainCompare'])
  const text = `${partName(context.job.drive, cam)} stands late beyond its limit, but the chain measures within its own: look at its phaser and locating pin, the mark it was read at, and whether the head was skimmed.`
  return { part: cam, rule: 'late-but-not-stretched', call: 'look-closer', text, readings: [...readings, ...bench].sort((a, b) => a - b), limit }
}

/** fraction: what a calliper over the usual links cannot tell from new. */
const AS_NEW = 0.0012

/** A chain measured as long as a new one has not stretched, whatever the timing said. */
export function measuresAsNew(context: RuleContext, chain: Chain): Finding[] {
  const bench = benchElongation(context, chain)
  if (!bench || bench.mean + NINETY * bench.sd > AS_NEW) return []
  return [{ part: chain.id, rule: 'measures-as-new', call: 'back-in', text: 'It measures like a new one: no stretch, whatever the timing said.', readings: bench.readings, limit: null }]
}

/** A chain that is longer at one place than at another has worn unevenly, which is a finding of its own. */
export function unevenWear(context: RuleContext, chain: Chain): Finding[] {
  const { places } = context.estimates.chains[chain.id]!
  if (!places?.uneven) return []
  const readings = context.job.readings.flatMap((r, i) => (r.place !== undefined && r.chain === chain.id ? [i] : []))
  return [{ part: chain.id, rule: 'uneven-wear', call: 'look-closer', text: `Worn unevenly: ${places.count} places differ by ${figure(100 * places.spread, 2)} points. Look for stiff links and a run that was dry; the longest place counts against the limit.`, readings, limit: null }]
}

/** Readings that contradict the rest leave the chain's call open to doubt. */
export function readingsAtOdds(context: RuleContext, chain: Chain): Finding[] {
  const { estimates } = context
  const odd = estimates.chains[chain.id]!.readings.filter((index) => estimates.readings[index]!.atOdds)
  if (odd.length === 0) return []
  return [{ part: chain.id, rule: 'readings-at-odds', call: 'look-closer', text: `${odd.length === 1 ? 'A reading is' : `${odd.length} readings are`} at odds with the rest: measure again before anything is ordered.`, readings: odd, limit: null }]
}

/**
 * A cam whose mark reads elsewhere than chain, rails and counts put it, without a tooth jumped: neither stretch nor a
 * jump, so it sits otherwise on its shaft, or was read at another mark.
 */
export function lagUnexplained(context: RuleContext, chain: Chain): Finding[] {
  const { estimates, job } = context
  return Object.entries(estimates.cams).flatMap(([id, cam]): Finding[] => {
    if (cam.chain !== chain.id || (cam.jump.all['0'] ?? 0) < 0.9) return []
    const odd = readingsBehind(context, chain.id, ['camLag'], id).filter((index) => estimates.readings[index]!.atOdds)
    if (odd.length === 0) return []
    const off = job.readings[odd[0]!]!.value! - estimates.readings[odd[0]!]!.predicted!
    const text = `${partName(job.drive, id)} reads ${figure(Math.abs(off), 1)}° ${off > 0 ? 'later' : 'earlier'} than chain, rails and counts explain, and no tooth has jumped: look at its phaser, locating pin and key, and at which mark it was read.`
    return [{ part: id, rule: 'lag-unexplained', call: 'look-closer', text, readings: odd, limit: null }]
  })
}

/** An estimate that did not settle decides nothing. */
export function notSettled(context: RuleContext, chain: Chain): Finding[] {
  const { status, readings } = context.estimates.chains[chain.id]!
  return status.converged ? [] : [{ part: chain.id, rule: 'not-settled', call: 'look-closer', text: 'The estimate did not settle on these readings: take another before deciding.', readings, limit: null }]
}

import { cdf, NINETY } from '../math'
import { isReading, type SaidSlip, slipOf } from '../estimate'
import { combineByHand, elongationRead, isBenchLength, type KnownReading, partOf, STRETCH_KINDS } from '../readings'
import type { Chain } from '../sheet'
import { callFor, idsOf, inOrder, isAtOdds, readingsBehind, type RuleContext, shownLimit } from './context'
import { say } from './says'
import type { Finding, Reason } from './types'

/** The reading of a chain that would narrow its elongation most, as what settles an undecided call. */
export function settleBy({ estimates }: RuleContext, chain: string): Pick<Reason, 'settle'> {
  const next = estimates.next.filter(isReading).find((n) => n.chain === chain)
  return next ? { settle: { kind: next.kind, target: next.target } } : {}
}

/** The chain's elongation against its limit. */
export function elongationLimit(context: RuleContext, chain: Chain): Finding[] {
  const { elongation } = context.estimates.chains[chain.id]!
  const readings = idsOf(readingsBehind(context, chain.id, STRETCH_KINDS))
  const limit = context.sheet.limit('elongation', chain.id)
  const base = { part: chain.id, rule: 'elongation-limit', readings, limit: shownLimit('elongation', limit) }
  const { mean, low, high, overLimit } = elongation
  if (!limit || overLimit === null) return [{ ...base, call: 'look-closer', ...say('elongation-no-limit') }]
  if (readings.length === 0)
    return [{ ...base, call: 'look-closer', ...say('elongation-unread'), ...settleBy(context, chain.id) }]
  const call = callFor(context, overLimit)
  const said = say('elongation', {
    mean: 100 * mean,
    low: 100 * low,
    high: 100 * high,
    limit: limit.value,
    odds: overLimit
  })
  return [{ ...base, call, ...said, ...(call === 'look-closer' ? settleBy(context, chain.id) : {}) }]
}

/** A cam late by wear beyond the lag limit condemns the chain that makes it late. */
export function lagLimit(context: RuleContext, chain: Chain): Finding[] {
  return Object.entries(context.estimates.cams).flatMap(([id, cam]) => {
    const limit = context.sheet.limit('camLag', id)
    const readings = idsOf(readingsBehind(context, chain.id, ['camLag'], id))
    const jumped = 1 - (cam.jump.all['0'] ?? 0) > 0.1
    if (cam.chain !== chain.id || !limit || readings.length === 0 || jumped || cam.lag.overLimit === null) return []
    const call = callFor(context, cam.lag.overLimit)
    if (call === 'back-in') return []
    if (measuredSound(context, chain))
      return [lateAllTheSame(context, chain, id, readings, shownLimit('camLag', limit))]
    const said = say('late-by-wear', { cam: id, lag: cam.lag.mean, limit: limit.value, odds: cam.lag.overLimit })
    return [{ part: chain.id, rule: 'lag-limit', call, ...said, readings, limit: shownLimit('camLag', limit) }]
  })
}

/** What the bench lengths of a chain say by themselves, whatever else was read: fractions; null without any. */
function benchElongation(context: RuleContext, chain: Chain): { mean: number; sd: number; readings: string[] } | null {
  const { job } = context
  const readings = readingsBehind(context, chain.id, ['chainLength', 'chainCompare'])
  const bench = combineByHand(
    readings.filter(isBenchLength).map((reading) => {
      const { elongation: value, sigma } = elongationRead(job.drive, chain, reading)
      return { reading, value, sigma }
    })
  )
  return bench && { ...bench, readings: idsOf(readings) }
}

/** Was the chain measured on the bench, and found within its limit? */
export function measuredSound(context: RuleContext, chain: Chain): boolean {
  const bench = benchElongation(context, chain)
  const limit = context.sheet.limit('elongation', chain.id)
  return (
    bench !== null && limit !== null && callFor(context, cdf((bench.mean - limit.value / 100) / bench.sd)) === 'back-in'
  )
}

/** Late by more than the limit while the chain measures sound: it is not the chain. */
function lateAllTheSame(
  context: RuleContext,
  chain: Chain,
  cam: string,
  readings: string[],
  limit: Reason['limit']
): Finding {
  const bench = idsOf(readingsBehind(context, chain.id, ['chainLength', 'chainCompare']))
  return {
    part: cam,
    rule: 'late-but-not-stretched',
    call: 'look-closer',
    ...say('late-not-stretched', { cam }),
    readings: inOrder(context, [...readings, ...bench]),
    limit
  }
}

/** fraction: what a calliper over the usual links cannot tell from new. */
const AS_NEW = 0.0012

/** A chain measured as long as a new one has not stretched, whatever the timing said. */
export function measuresAsNew(context: RuleContext, chain: Chain): Finding[] {
  const bench = benchElongation(context, chain)
  if (!bench || bench.mean + NINETY * bench.sd > AS_NEW) return []
  return [
    {
      part: chain.id,
      rule: 'measures-as-new',
      call: 'back-in',
      ...say('measures-as-new'),
      readings: bench.readings,
      limit: null
    }
  ]
}

/** A chain that is longer at one place than at another has worn unevenly, which is a finding of its own. */
export function unevenWear(context: RuleContext, chain: Chain): Finding[] {
  const { places } = context.estimates.chains[chain.id]!
  if (!places?.uneven) return []
  const readings = idsOf(context.job.readings.filter((r) => r.place !== undefined && r.chain === chain.id))
  return [
    {
      part: chain.id,
      rule: 'uneven-wear',
      call: 'look-closer',
      ...say('uneven-wear', { places: places.count, spread: 100 * places.spread }),
      readings,
      limit: null
    }
  ]
}

/** Readings that contradict the rest leave the chain's call open to doubt. */
export function readingsAtOdds(context: RuleContext, chain: Chain): Finding[] {
  return atOddsAmong(context, chain.id, context.estimates.chains[chain.id]!.readings)
}

/** Readings of a phaser's play that contradict each other leave its call open to doubt. */
export function playAtOdds(context: RuleContext): Finding[] {
  return context.job.drive.phasers.flatMap(({ id }) =>
    atOddsAmong(
      context,
      id,
      context.job.readings.flatMap((r) => (r.kind === 'phaserPlay' && r.phaser === id ? [r.id] : []))
    )
  )
}

function atOddsAmong(context: RuleContext, part: string, ids: readonly string[]): Finding[] {
  const odd = ids.filter((id) => isAtOdds(context, id))
  if (odd.length === 0) return []
  return [
    {
      part,
      rule: 'readings-at-odds',
      call: 'look-closer',
      ...say('readings-at-odds', { count: odd.length }),
      readings: odd,
      limit: null
    }
  ]
}

/** How a reading looks wrong, where that has a name. */
function namedSlip({ estimated }: RuleContext, reading: KnownReading): SaidSlip | null {
  const slip = slipOf(reading, estimated.get(reading.id))
  return slip && slip.as !== 'far-off' ? slip : null
}

/** A reading that looks like a slip which has a name: its part is decided once it is read again. */
export function wrongReadings(context: RuleContext, chain: Chain): Finding[] {
  return wrongAmong(context, context.estimates.chains[chain.id]!.readings)
}

/** The same of a phaser's play, which belongs to no chain's estimate. */
export function wrongPlay(context: RuleContext): Finding[] {
  return wrongAmong(
    context,
    context.job.readings.flatMap(({ id, kind }) => (kind === 'phaserPlay' ? [id] : []))
  )
}

function wrongAmong(context: RuleContext, ids: readonly string[]): Finding[] {
  return ids.flatMap((id): Finding[] => {
    const reading = context.readings.get(id)
    const slip = reading && namedSlip(context, reading)
    if (!slip) return []
    const part = partOf(reading)
    return [
      {
        part,
        rule: 'reading-wrong',
        call: 'look-closer',
        ...say('reading-wrong', slip),
        readings: [id],
        limit: null,
        settle: { kind: slip.kind, target: part }
      }
    ]
  })
}

/**
 * A cam whose mark reads elsewhere than chain, rails and counts put it, without a tooth jumped: neither stretch nor a
 * jump, so it sits otherwise on its shaft, or was read at another mark.
 */
export function lagUnexplained(context: RuleContext, chain: Chain): Finding[] {
  return Object.entries(context.estimates.cams).flatMap(([id, cam]): Finding[] => {
    if (cam.chain !== chain.id || (cam.jump.all['0'] ?? 0) < 0.9) return []
    const lags = readingsBehind(context, chain.id, ['camLag'], id)
    const odd = lags.filter((reading) => isAtOdds(context, reading.id) && namedSlip(context, reading) === null)
    const [first] = odd
    const moved = cam.moved && cam.moved.odds > MOVED ? cam.moved.by : null
    if (!first && moved === null) return []
    const off = moved ?? (first ? first.value - (context.estimated.get(first.id)?.predicted ?? 0) : 0)
    return [
      {
        part: id,
        rule: 'lag-unexplained',
        call: 'look-closer',
        ...say('lag-unexplained', { cam: id, off }),
        readings: idsOf(first ? odd : lags),
        limit: null
      }
    ]
  })
}

/** From these odds a cam is said to sit otherwise on its shaft. */
const MOVED = 0.5

/** An estimate that did not settle decides nothing. */
export function findUnsettled(context: RuleContext, chain: Chain): Finding[] {
  const { status, readings } = context.estimates.chains[chain.id]!
  return status.converged
    ? []
    : [{ part: chain.id, rule: 'not-settled', call: 'look-closer', ...say('not-settled'), readings, limit: null }]
}

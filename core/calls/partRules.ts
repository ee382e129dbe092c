import { cdf } from '../math'
import type { Message } from '../check'
import { combineByHand, type KnownReading, methodSigma, type NumericKind, readingSigma } from '../readings'
import type { Chain, LimitValue, Phaser, Tensioner } from '../sheet'
import { coarsePast, finestMethod } from './coarse'
import { findingsOf } from './conditionRules'
import { callFor, idsOf, isAtOdds, readingsBehind, type RuleContext, shownLimit } from './context'
import { say } from './says'
import { settleBy } from './stretchRules'
import type { Call, Finding } from './types'

/**
 * Each rail's wear against its groove limit; a rail that nobody measured is not passed on the strength of its prior.
 */
export function grooveLimit(context: RuleContext, chain: Chain): Finding[] {
  return chain.path.flatMap((id): Finding[] => {
    const wear = context.estimates.rails[id]?.wear
    if (!wear) return []
    const readings = idsOf(readingsBehind(context, chain.id, ['groove'], id))
    const limit = context.sheet.limit('groove', id)
    const base = { part: id, rule: 'groove-limit', readings, limit: shownLimit('groove', limit) }
    const settle = { kind: 'groove' as const, target: id }
    if (readings.length === 0) return [{ ...base, ...grooveUnread(context, id, limit), settle }]
    const { mean, low, high, overLimit } = wear
    if (!limit || overLimit === null)
      return [{ ...base, call: 'look-closer', ...say('groove-no-limit', { mean, low, high }) }]
    const call = callFor(context, overLimit)
    const coarse = pastByCoarse(context, base, 'groove', { limit: limit.value, odds: overLimit, call })
    if (coarse) return [{ ...base, ...coarse, settle }]
    return [
      {
        ...base,
        call,
        ...say('groove', { mean, low, high, limit: limit.value, odds: overLimit }),
        ...(call === 'look-closer' ? { settle } : {})
      }
    ]
  })
}

/** Rails that stand clear of a tight chain have no figure: they are looked at. */
export function standingRails({ job }: RuleContext): Finding[] {
  return job.drive.rails
    .filter(
      (rail) => rail.touches === false && !job.readings.some((r) => r.kind === 'condition' && r.target === rail.id)
    )
    .map((rail) => ({
      part: rail.id,
      rule: 'standing-rail',
      call: 'look-closer',
      ...say('stands-clear'),
      readings: [],
      limit: null
    }))
}

/** The tensioner's extension against its limit; whose doing it is, the budget tells. */
export function extensionLimit(context: RuleContext, chain: Chain): Finding[] {
  const tensioner = context.sheet.tensionerOf(chain.id)
  const estimate = tensioner && context.estimates.tensioners[tensioner.id]
  if (!tensioner || !estimate) return []
  const {
    extension: { read, overLimit },
    slack
  } = estimate
  const { stroke, limit } = tensioner
  const base = {
    part: tensioner.id,
    rule: 'extension-limit',
    readings: idsOf(readingsBehind(context, chain.id, ['extension'])),
    limit: shownLimit('extension', limit)
  }
  if (read === null)
    return [
      { ...base, call: 'look-closer', ...say('extension-unread'), settle: { kind: 'extension', target: tensioner.id } }
    ]
  if (!limit || overLimit === null)
    return [{ ...base, call: 'look-closer', ...say('extension-no-limit', { read, stroke }) }]
  const against = { read, stroke, limit: limit.value, odds: overLimit }
  const call = callFor(context, overLimit)
  const coarse = pastByCoarse(context, base, 'extension', { limit: limit.value, odds: overLimit, call })
  if (coarse) return [{ ...base, ...coarse, settle: { kind: 'extension', target: tensioner.id } }]
  const findings: Finding[] =
    slack > 0.01
      ? [{ ...base, rule: 'out-of-travel', part: chain.id, call: 'renew', ...say('out-of-travel', { slack }) }]
      : []
  const doubted = base.readings.some((id) => isAtOdds(context, id))
  if (call !== 'renew' && !(doubted && read > limit.value))
    return [
      ...findings,
      { ...base, call, ...say('extension', against), ...(call === 'look-closer' ? settleBy(context, chain.id) : {}) }
    ]
  return [...findings, ...causes(context, chain, tensioner, base, against)]
}

type Against = { read: number; stroke: number; limit: number; odds: number }

/** Whose doing an extension past its limit is: the largest entry of its budget, unless it is doubted. */
function causes(
  { estimates, ...context }: RuleContext,
  chain: Chain,
  tensioner: Tensioner,
  base: Pick<Finding, 'part' | 'rule' | 'readings' | 'limit'>,
  against: Against
): Finding[] {
  const entries = estimates.tensioners[tensioner.id]!.budget.filter((entry) => entry.cause !== 'as new')
  const grown = entries.reduce((sum, entry) => sum + entry.mm, 0)
  const most = entries.reduce((a, b) => (b.mm > a.mm ? b : a))
  const doubted = base.readings.some((id) => isAtOdds({ estimates, ...context }, id))
  if (doubted || most.cause === 'unexplained' || most.cause === 'corrections') {
    const unexplained = entries.find((entry) => entry.cause === 'unexplained')?.mm ?? 0
    return [
      {
        ...base,
        call: 'look-closer',
        ...say('extension-unexplained', { ...against, unexplained, grown }),
        settle: { kind: 'chainLength', target: chain.id }
      }
    ]
  }
  const part = most.cause === 'stretch' ? chain.id : most.cause === 'pad' ? tensioner.id : most.cause
  const cause = most.cause === 'stretch' ? 'stretch' : part
  return [
    {
      ...base,
      part,
      call: 'renew',
      ...say('extension-cause', { ...against, cause, mm: Math.min(most.mm, grown), grown })
    },
    ...(part === tensioner.id
      ? []
      : [{ ...base, call: 'look-closer' as const, ...say('extension-of-other', { ...against, cause: part }) }])
  ]
}

/** The tensioner's pad against its wear limit, once it was read. */
export function padLimit(context: RuleContext, chain: Chain): Finding[] {
  const tensioner = context.sheet.tensionerOf(chain.id)
  const readings = idsOf(readingsBehind(context, chain.id, ['padWear']))
  const estimate = tensioner && context.estimates.tensioners[tensioner.id]
  if (!estimate || readings.length === 0) return []
  const { mean, overLimit } = estimate.padWear
  const limit = context.sheet.limit('padWear', tensioner.id)
  const base = { part: tensioner.id, rule: 'pad-limit', readings, limit: shownLimit('padWear', limit) }
  if (!limit || overLimit === null) return [{ ...base, call: 'look-closer', ...say('pad-no-limit', { mean }) }]
  const call = callFor(context, overLimit)
  const coarse = pastByCoarse(context, base, 'padWear', { limit: limit.value, odds: overLimit, call })
  if (coarse) return [{ ...base, ...coarse, settle: { kind: 'padWear', target: tensioner.id } }]
  return [{ ...base, call, ...say('pad', { mean, limit: limit.value, odds: overLimit }) }]
}

/** A rail that was only looked at: what a look sees, and what the finest method would add. */
function grooveUnread(context: RuleContext, rail: string, limit: LimitValue | null): Pick<Finding, 'call'> & Message {
  const looked = findingsOf(context, ['sound'], rail).length > 0
  const fine = methodSigma('groove', finestMethod('groove')) ?? NaN
  return looked
    ? { call: 'look-closer', ...say('groove-looked', { limit: limit?.value ?? null, coarse: LOOK, fine }) }
    : { call: 'look-closer', ...say('groove-unread') }
}

/** mm of groove that a look leaves open. */
const LOOK = 0.4

/** A part that would go back in although a coarse method read it past its limit is looked at with a finer one. */
function pastByCoarse(
  { readings }: RuleContext,
  { readings: ids }: Pick<Finding, 'readings'>,
  kind: NumericKind,
  { limit, odds, call }: { limit: number; odds: number; call: Call }
): (Pick<Finding, 'call'> & Message) | null {
  if (call === 'renew') return null
  const past = coarsePast(
    ids.flatMap((id) => readings.get(id) ?? []),
    kind,
    limit
  )
  return past && { call: 'look-closer', ...say('coarse-past-limit', { ...past, odds }) }
}

/** A phaser's play at lock against its limit. */
export function playLimit(context: RuleContext): Finding[] {
  return context.job.drive.phasers.flatMap((phaser): Finding[] => {
    const settle = { kind: 'phaserPlay' as const, target: phaser.id }
    const read = playRead(context, phaser)
    if (!read) {
      // Locked at rest says nothing of its play.
      const looked = findingsOf(context, ['sound'], phaser.id).length > 0
      return looked
        ? []
        : [
            {
              part: phaser.id,
              rule: 'play-limit',
              call: 'look-closer',
              ...say('play-unread'),
              readings: [],
              limit: null,
              settle
            }
          ]
    }
    const { play, past: odds, readings } = read
    const limit = phaser.playLimit
    const base = { part: phaser.id, rule: 'play-limit', readings: idsOf(readings), limit: shownLimit('play', limit) }
    if (!limit || odds === null) return [{ ...base, call: 'look-closer', ...say('play-no-limit', { play }) }]
    const call = callFor(context, odds)
    const coarse = pastByCoarse(context, base, 'phaserPlay', { limit: limit.value, odds, call })
    if (coarse) return [{ ...base, ...coarse, settle }]
    return [
      {
        ...base,
        call,
        ...say('play', { play, limit: limit.value, odds }),
        ...(call === 'look-closer' ? { settle } : {})
      }
    ]
  })
}

/**
 * The play that was read of a phaser, crank degrees, and its odds of being past the limit; null where none was read.
 */
export function playRead(
  context: RuleContext,
  { id, playLimit: limit }: Phaser
): { play: number; past: number | null; readings: KnownReading[] } | null {
  const { job, leftOut } = context
  const all = job.readings.flatMap((r) => (r.kind === 'phaserPlay' && r.phaser === id && !leftOut.has(r.id) ? [r] : []))
  const fitting = all.filter((reading) => !isAtOdds(context, reading.id))
  const readings = fitting.length > 0 ? fitting : all
  const read = combineByHand(
    readings.map((reading) => ({ reading, value: reading.value, sigma: readingSigma(job.drive, reading) ?? NaN }))
  )
  return read && { play: read.mean, past: limit ? cdf((read.mean - limit.value) / read.sd) : null, readings }
}

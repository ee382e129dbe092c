import { cdf, combineFigures } from '../math'
import { readingSigma } from '../readings'
import type { Chain, Tensioner } from '../sheet'
import { findingsOf } from './conditionRules'
import { callFor, idsOf, isAtOdds, readingsBehind, type RuleContext, shownLimit } from './context'
import { say } from './says'
import { settleBy } from './stretchRules'
import type { Finding } from './types'

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
    if (readings.length === 0) return [{ ...base, call: 'look-closer', ...say('groove-unread'), settle }]
    const { mean, low, high, overLimit } = wear
    if (!limit || overLimit === null)
      return [{ ...base, call: 'look-closer', ...say('groove-no-limit', { mean, low, high }) }]
    const call = callFor(context, overLimit)
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
  const findings: Finding[] =
    slack > 0.01
      ? [{ ...base, rule: 'out-of-travel', part: chain.id, call: 'renew', ...say('out-of-travel', { slack }) }]
      : []
  if (call !== 'renew')
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
    { ...base, part, call: 'renew', ...say('extension-cause', { ...against, cause, mm: most.mm, grown }) },
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
  return [{ ...base, call: callFor(context, overLimit), ...say('pad', { mean, limit: limit.value, odds: overLimit }) }]
}

/** A phaser's play at lock against its limit. */
export function playLimit(context: RuleContext): Finding[] {
  const { job, leftOut } = context
  return job.drive.phasers.flatMap((phaser): Finding[] => {
    const readings = job.readings.flatMap((r) =>
      r.kind === 'phaserPlay' && r.phaser === phaser.id && !leftOut.has(r.id) ? [r] : []
    )
    const settle = { kind: 'phaserPlay' as const, target: phaser.id }
    const read = combineFigures(readings.map((r) => ({ value: r.value, sigma: readingSigma(job.drive, r) ?? NaN })))
    if (!read) {
      const looked = findingsOf(context, ['sound', 'locked-at-rest'], phaser.id).length > 0
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
    const { mean: play, sd } = read
    const limit = phaser.playLimit
    const base = { part: phaser.id, rule: 'play-limit', readings: idsOf(readings), limit: shownLimit('play', limit) }
    if (!limit) return [{ ...base, call: 'look-closer', ...say('play-no-limit', { play }) }]
    const odds = cdf((play - limit.value) / sd)
    const call = callFor(context, odds)
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

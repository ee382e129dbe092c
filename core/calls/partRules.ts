import { type Chain, limitFor } from '../sheet'
import { cdf, combined } from '../math'
import { readingSigma } from '../readings'
import { figure, odds, partName } from '../wording'
import { findingsOf } from './conditionRules'
import { callFor, readingsBehind, type RuleContext, shownLimit } from './context'
import { settling } from './stretchRules'
import type { Finding } from './types'

/** Each rail's wear against its groove limit; a rail that nobody measured is not passed on the strength of its prior. */
export function grooveLimit(context: RuleContext, chain: Chain): Finding[] {
  return chain.path.flatMap((id): Finding[] => {
    const wear = context.estimates.rails[id]?.wear
    if (!wear) return []
    const readings = readingsBehind(context, chain.id, ['groove'], id)
    const limit = limitFor(context.job.drive, 'groove', id)
    const base = { part: id, rule: 'groove-limit', readings, limit: shownLimit('groove', limit) }
    const settle = { kind: 'groove' as const, target: id }
    if (readings.length === 0) return [{ ...base, call: 'look-closer', text: 'Its groove has not been measured.', settle }]
    const measured = `Groove ${figure(wear.mean, 2)} mm (90 % between ${figure(wear.low, 2)} and ${figure(wear.high, 2)} mm)`
    if (!limit) return [{ ...base, call: 'look-closer', text: `${measured}, but the sheet has no groove limit for it: look it up in the maker's manual and enter it.` }]
    const call = callFor(context, wear.overLimit!)
    return [{ ...base, call, text: `${measured}, limit ${limit.value} mm: ${odds(wear.overLimit!)} likely past it.`, ...(call === 'look-closer' ? { settle } : {}) }]
  })
}

/** Rails that stand clear of a tight chain have no figure: they are looked at. */
export function standingRails({ job }: RuleContext): Finding[] {
  return job.drive.rails
    .filter((rail) => rail.touches === false && !job.readings.some((r) => r.kind === 'condition' && r.target === rail.id))
    .map((rail) => ({ part: rail.id, rule: 'standing-rail', call: 'look-closer', text: 'Stands clear of a tight chain and has no figure: look for chain marks, cracks and missing pieces.', readings: [], limit: null }))
}

/** The tensioner's extension against its limit; whose doing it is, the budget tells. */
export function extensionLimit(context: RuleContext, chain: Chain): Finding[] {
  const tensioner = context.job.drive.tensioners.find((t) => t.chain === chain.id)
  if (!tensioner) return []
  const { extension, budget, slack } = context.estimates.tensioners[tensioner.id]!
  const readings = readingsBehind(context, chain.id, ['extension'])
  const base = { part: tensioner.id, rule: 'extension-limit', readings, limit: shownLimit('extension', tensioner.limit) }
  if (extension.read === null) return [{ ...base, call: 'look-closer', text: 'Its extension has not been read.', settle: { kind: 'extension', target: tensioner.id } }]
  const measured = `Extension ${figure(extension.read, 1)} mm of ${tensioner.stroke} mm stroke`
  if (!tensioner.limit) return [{ ...base, call: 'look-closer', text: `${measured}, but the sheet has no limit for it: look it up in the maker's manual and enter it.` }]
  const against = `${measured}, limit ${tensioner.limit.value} mm: ${odds(extension.overLimit!)} likely past it.`
  const call = callFor(context, extension.overLimit!)
  const findings: Finding[] = []
  if (slack > 0.01) findings.push({ ...base, rule: 'out-of-travel', part: chain.id, call: 'renew', text: `The arm is at the end of its reach and ${figure(slack, 1)} mm of chain is left over.` })
  if (call !== 'renew') return [...findings, { ...base, call, text: against, ...(call === 'look-closer' ? settling(context, chain.id) : {}) }]

  const causes = budget.filter((entry) => entry.cause !== 'as new')
  const growth = causes.reduce((sum, entry) => sum + entry.mm, 0)
  const most = causes.reduce((a, b) => (b.mm > a.mm ? b : a))
  const share = `${figure(most.mm, 1)} of the ${figure(growth, 1)} mm it has grown`
  const doubted = readings.some((index) => context.estimates.readings[index]!.atOdds)
  if (doubted || most.cause === 'unexplained' || most.cause === 'corrections') {
    const unexplained = budget.find((entry) => entry.cause === 'unexplained')!.mm
    return [...findings, { ...base, call: 'look-closer', text: `${against} ${figure(unexplained, 1)} of the ${figure(growth, 1)} mm it has grown no other reading explains: read it again, then measure chain and rails.`, settle: { kind: 'chainLength', target: chain.id } }]
  }
  const cause = most.cause === 'stretch' ? chain.id : most.cause === 'pad' ? tensioner.id : most.cause
  return [
    ...findings,
    { ...base, part: cause, call: 'renew', text: `${against} ${share} ${most.cause === 'stretch' ? 'is stretch' : `comes from ${partName(context.job.drive, cause)}`}.` },
    ...(cause === tensioner.id ? [] : [{ ...base, call: 'look-closer' as const, text: `${against} That is ${partName(context.job.drive, cause).toLowerCase()}'s doing more than its own.` }])
  ]
}

/** The tensioner's pad against its wear limit, once it was read. */
export function padLimit(context: RuleContext, chain: Chain): Finding[] {
  const tensioner = context.job.drive.tensioners.find((t) => t.chain === chain.id)
  const readings = readingsBehind(context, chain.id, ['padWear'])
  if (!tensioner || readings.length === 0) return []
  const { padWear } = context.estimates.tensioners[tensioner.id]!
  const limit = limitFor(context.job.drive, 'padWear', tensioner.id)
  const base = { part: tensioner.id, rule: 'pad-limit', readings, limit: shownLimit('padWear', limit) }
  if (!limit) return [{ ...base, call: 'look-closer', text: `Pad worn ${figure(padWear.mean, 2)} mm, but the sheet has no limit for it: look it up in the maker's manual and enter it.` }]
  return [{ ...base, call: callFor(context, padWear.overLimit!), text: `Pad worn ${figure(padWear.mean, 2)} mm, limit ${limit.value} mm: ${odds(padWear.overLimit!)} likely past it.` }]
}

/** A phaser's play at lock against its limit. */
export function playLimit(context: RuleContext): Finding[] {
  const { job, estimates } = context
  return job.drive.phasers.flatMap((phaser): Finding[] => {
    const readings = job.readings.flatMap((r, i) => (r.kind === 'phaserPlay' && r.phaser === phaser.id && !estimates.faults.some((f) => f.index === i) ? [i] : []))
    const settle = { kind: 'phaserPlay' as const, target: phaser.id }
    if (readings.length === 0) {
      const looked = findingsOf(context, ['sound', 'locked-at-rest'], phaser.id).length > 0
      return looked ? [] : [{ part: phaser.id, rule: 'play-limit', call: 'look-closer', text: 'Its play has not been read.', readings: [], limit: null, settle }]
    }
    const limit = phaser.playLimit
    const base = { part: phaser.id, rule: 'play-limit', readings, limit: shownLimit('play', limit) }
    const { mean: play, sd } = combined(readings.map((i) => ({ value: job.readings[i]!.value!, sigma: readingSigma(job.drive, job.readings[i]!)! })))!
    if (!limit) return [{ ...base, call: 'look-closer', text: `Play ${figure(play, 1)}°, but the sheet has no limit for it: look it up in the maker's manual and enter it.` }]
    const over = cdf((play - limit.value) / sd)
    const call = callFor(context, over)
    return [{ ...base, call, text: `Play ${figure(play, 1)}° at lock, limit ${limit.value}°: ${odds(over)} likely past it.`, ...(call === 'look-closer' ? { settle } : {}) }]
  })
}

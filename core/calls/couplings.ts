import { phasersOn } from '../drive'
import { type Chain, compileSheet, type DriveSheet } from '../sheet'
import { findingsOf } from './conditionRules'
import { callFor, type RuleContext, shownLimit } from './context'
import { say } from './says'
import type { Finding } from './types'

/** Everything that rides on a chain and wears with it: its rails, those standing clear too, and its tensioner. */
export function ridersOf(drive: DriveSheet, chain: Chain): string[] {
  const { rails, tensioners, chains } = drive
  const { chainAt } = compileSheet(drive)
  const standing = rails.filter((rail) => rail.touches === false && chainAt(rail.id) === null && chains.length === 1)
  const lying = rails.filter((rail) => chain.path.includes(rail.id))
  return [...lying, ...standing, ...tensioners.filter((t) => t.chain === chain.id)].map((part) => part.id)
}

/** A new chain gets new rails and tensioner: a grooved rail wrecks it. Every school holds this. */
export function newChain({ job }: RuleContext, chain: Chain, renewed: (part: string) => boolean): Finding[] {
  if (!renewed(chain.id)) return []
  return ridersOf(job.drive, chain).map((part) => ({
    part,
    rule: 'new-chain',
    call: 'renew',
    ...say('new-chain', { chain: chain.id }),
    readings: [],
    limit: null
  }))
}

/** Sprockets follow a chain past its elongation limit: their teeth have worn to the longer pitch. */
export function sprocketsFollow(context: RuleContext, chain: Chain): Finding[] {
  const { elongation, readings } = context.estimates.chains[chain.id]!
  const { overLimit } = elongation
  if (overLimit === null || callFor(context, overLimit) !== 'renew') return []
  const limit = shownLimit('elongation', context.sheet.limit('elongation', chain.id))
  return chain.path
    .filter((id) => context.sheet.sprockets.has(id))
    .map((part) => ({
      part,
      rule: 'sprockets-follow',
      call: 'renew',
      ...say('sprockets-follow', { odds: overLimit }),
      readings,
      limit
    }))
}

/** Whole set: everything behind the cover is renewed together. */
export function wholeSet(context: RuleContext, chain: Chain): Finding[] {
  if (!context.school.together) return []
  // Phasers of the same age only: one renewed before is not.
  const newer = findingsOf(context, ['renewed-phaser']).length > 0
  const phasers = newer ? [] : phasersOn(context.job.drive, chain).map((phaser) => phaser.id)
  return [chain.id, ...ridersOf(context.job.drive, chain), ...phasers].map((part) => ({
    part,
    rule: 'whole-set',
    call: 'renew',
    ...say('whole-set'),
    readings: [],
    limit: null
  }))
}

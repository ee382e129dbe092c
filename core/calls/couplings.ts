import type { Chain, DriveSheet } from '../sheet'
import { odds, partName } from '../wording'
import { findingsOf } from './conditionRules'
import { callFor, type RuleContext } from './context'
import type { Finding } from './types'

/** Everything that rides on a chain and wears with it: its rails, those standing clear too, and its tensioner. */
export function ridersOf({ rails, tensioners, chains }: DriveSheet, chain: Chain): string[] {
  const standing = rails.filter((rail) => rail.touches === false && !chains.some((c) => c.path.includes(rail.id)) && chains.length === 1)
  const lying = rails.filter((rail) => chain.path.includes(rail.id))
  return [...lying, ...standing, ...tensioners.filter((t) => t.chain === chain.id)].map((part) => part.id)
}

/** A new chain gets new rails and tensioner: a grooved rail wrecks it. Every school holds this. */
export function newChain(context: RuleContext, chain: Chain, renewed: (part: string) => boolean): Finding[] {
  if (!renewed(chain.id)) return []
  return ridersOf(context.job.drive, chain).map((part) => ({
    part, rule: 'new-chain', call: 'renew', readings: [], limit: null,
    text: `Follows ${partName(context.job.drive, chain.id)}: a new chain gets new rails and tensioner.`
  }))
}

/** Sprockets follow a chain past its elongation limit: their teeth have worn to the longer pitch. */
export function sprocketsFollow(context: RuleContext, chain: Chain): Finding[] {
  const { elongation, readings } = context.estimates.chains[chain.id]!
  if (elongation.overLimit === null || callFor(context, elongation.overLimit) !== 'renew') return []
  const limit = context.job.drive.limits.find((l) => l.kind === 'elongation' && l.chain === chain.id)!
  return chain.path
    .filter((id) => context.job.drive.sprockets.some((s) => s.id === id))
    .map((part) => ({
      part, rule: 'sprockets-follow', call: 'renew', readings,
      limit: { kind: 'elongation', value: limit.value, unit: limit.unit, source: limit.source },
      text: `Sprockets follow a chain past its limit (${odds(elongation.overLimit!)}): their teeth have worn to the longer pitch.`
    }))
}

/** Whole set: everything behind the cover is renewed together. */
export function wholeSet(context: RuleContext, chain: Chain): Finding[] {
  if (!context.school.together) return []
  // Phasers of the same age only: one renewed before is not.
  const newer = findingsOf(context, ['renewed-phaser']).length > 0
  const phasers = newer ? [] : context.job.drive.phasers.filter((phaser) => chain.path.includes(phaser.sprocket)).map((phaser) => phaser.id)
  return [chain.id, ...ridersOf(context.job.drive, chain), ...phasers].map((part) => ({
    part, rule: 'whole-set', call: 'renew', readings: [], limit: null,
    text: 'Whole set: with the cover off, access costs more than the part, and a worn part spoils the new ones.'
  }))
}

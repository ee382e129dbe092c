import type { Chain } from '../sheet'
import { partName } from '../wording'
import { findingsOf } from './conditionRules'
import type { RuleContext } from './context'
import type { Finding } from './types'

/** The engine as the part that a hold is on. */
export const ENGINE = 'engine'

/** Findings that leave pieces somewhere in the engine. */
const BREAKS = ['broken', 'piece-missing', 'bolts-sheared', 'bolts-missing', 'bolt-sheared', 'bolt-missing']

/** The fragment ledger: every missing piece is found, or accepted in writing, before the engine is closed. */
export function fragments(context: RuleContext): Finding[] {
  const { readings } = context.job
  const sum = (finding: string) => findingsOf(context, [finding]).reduce((pieces, i) => pieces + readings[i]!.count!, 0)
  const [missing, settled] = [sum('piece-missing'), sum('pieces-found') + sum('pieces-accepted')]
  const behind = findingsOf(context, ['piece-missing', 'pieces-found', 'pieces-accepted'])
  const base = { part: ENGINE, rule: 'fragments', readings: behind, limit: null }
  if (missing > settled) {
    const still = missing - settled
    return [{
      ...base, call: 'stop', text: `${still} of ${missing} missing ${missing === 1 ? 'piece is' : 'pieces are'} not accounted for: ${still === 1 ? 'it turns' : 'they turn'} up in the pickup or a sprocket.`,
      release: 'Every piece found, or accepted in writing by name.'
    }]
  }
  if (missing > 0) return [{ ...base, call: 'back-in', text: `All ${missing} missing pieces are found or accepted in writing.` }]
  const broken = findingsOf(context, [...BREAKS, 'oil-plastic'])
  if (broken.length === 0) return []
  return [{ ...base, readings: broken, call: 'look-closer', text: 'Something has broken: lay its pieces together, count what is missing and hunt for it, pan and pickup too.' }]
}

/** After a jump on an interference engine valves may have touched: compression or leak-down decides before it is started. */
export function compression(context: RuleContext): Finding[] {
  const low = findingsOf(context, ['compression-low'])
  if (low.length === 0) return []
  return [{ part: ENGINE, rule: 'compression-low', call: 'stop', text: 'Compression or leak-down is low: valves may be bent.', release: 'The head looked at, and compression or leak-down sound.', readings: low, limit: null }]
}

/** A chain that ran on metal is renewed, and the engine is not run before chain and rail are. */
export function chainOnMetal(context: RuleContext, chain: Chain): Finding[] {
  const rails = context.job.drive.rails.filter((rail) => chain.path.includes(rail.id))
  const readings = [...rails.flatMap(({ id }) => findingsOf(context, ['chain-on-metal'], id)), ...findingsOf(context, ['ran-on-metal'], chain.id)].sort((a, b) => a - b)
  if (readings.length === 0) return []
  const base = { part: chain.id, readings, limit: null }
  return [
    { ...base, rule: 'chain-on-metal', call: 'renew', text: 'It has run on metal: a chain that did is renewed, whatever it measures.' },
    { ...base, rule: 'chain-on-metal', call: 'stop', text: 'The chain runs on metal: do not run the engine so.', release: 'Chain and rails renewed, glitter washed out, oil and filter changed.' }
  ]
}

/** Findings of a phaser that has moved on its cam. */
const LOOSE = ['cover-bolts-loose', 'free-on-cam', 'metal-transfer']

/** A damaged locating pin follows a loose phaser: it is looked at before the new one goes on. */
export function pinAfterLoosePhaser(context: RuleContext, renewed: (part: string) => boolean): Finding[] {
  return context.job.drive.phasers.flatMap((phaser): Finding[] => {
    const loose = findingsOf(context, LOOSE, phaser.id)
    const worn = renewed(phaser.id) && context.job.readings.some((r) => r.kind === 'phaserPlay' && r.phaser === phaser.id)
    const looked = findingsOf(context, ['pin-sound', 'pin-worn', 'pin-sheared'], phaser.sprocket)
    if ((loose.length === 0 && !worn) || looked.length > 0) return []
    return [{ part: phaser.sprocket, rule: 'pin-after-loose-phaser', call: 'look-closer', text: `${partName(context.job.drive, phaser.id)} was loose: a damaged locating pin or notch follows it. Look at both.`, readings: loose, limit: null }]
  })
}

/** A phaser able to come apart is renewed; the hold on it comes from the finding itself. */
export function loosePhaser(context: RuleContext): Finding[] {
  return context.job.drive.phasers.flatMap((phaser): Finding[] => {
    const readings = findingsOf(context, LOOSE.slice(0, 2), phaser.id)
    return readings.length === 0 ? [] : [{ part: phaser.id, rule: 'loose-phaser', call: 'renew', text: 'Able to come apart, which is another thing than noise: it is renewed.', readings, limit: null }]
  })
}

/** Designs known to be worse: renewed on sight where the sheet says so, else looked up. */
export function supersededDesigns(context: RuleContext): Finding[] {
  const { drive, readings } = context.job
  const targets = new Set(findingsOf(context, ['superseded']).map((i) => readings[i]!.target!))
  return [...targets].map((part): Finding => {
    const base = { part, rule: 'superseded', readings: findingsOf(context, ['superseded'], part), limit: null }
    const known = drive.superseded?.find((s) => s.part === part)
    if (!known) return { ...base, call: 'look-closer', text: 'A superseded design, of which the sheet says nothing: look it up in the maker\'s manual.' }
    return known.onSight
      ? { ...base, call: 'renew', text: `Superseded (${known.design}): renewed on sight, by ${known.source}.` }
      : { ...base, call: 'look-closer', text: `Superseded (${known.design}), not renewed on sight by ${known.source}: its readings decide.` }
  })
}

/** Hooked or damaged teeth have worn the chain that ran on them. */
export function chainOnBadTeeth(context: RuleContext, chain: Chain): Finding[] {
  const readings = chain.path.flatMap((id) => findingsOf(context, ['teeth-hooked', 'teeth-damaged'], id))
  return readings.length === 0 ? [] : [{ part: chain.id, rule: 'chain-on-bad-teeth', call: 'look-closer', text: 'A sprocket it runs on has hooked or damaged teeth: measure its length, and it is not laid on new sprockets without.', readings, limit: null, settle: { kind: 'chainLength', target: chain.id } }]
}


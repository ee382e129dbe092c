import type { Chain } from '../sheet'
import { findingsOf } from './conditionRules'
import { inOrder, type RuleContext } from './context'
import { ridersOf } from './couplings'
import { playRead } from './partRules'
import { release, say } from './says'
import type { Finding } from './types'

/** The engine as the part that a hold is on. */
export const ENGINE = 'engine'

/** Findings that leave pieces somewhere in the engine. */
const BREAKS = ['broken', 'piece-missing', 'bolts-sheared', 'bolts-missing', 'bolt-sheared', 'bolt-missing']

/** The fragment ledger: every missing piece is found, or accepted in writing, before the engine is closed. */
export function fragments(context: RuleContext): Finding[] {
  const { readings } = context.job
  const sum = (...findings: string[]) =>
    readings.reduce(
      (pieces, r) => (r.kind === 'condition' && findings.includes(r.finding) ? pieces + (r.count ?? 0) : pieces),
      0
    )
  const [missing, settled] = [sum('piece-missing'), sum('pieces-found', 'pieces-accepted')]
  const base = {
    part: ENGINE,
    rule: 'fragments',
    readings: findingsOf(context, ['piece-missing', 'pieces-found', 'pieces-accepted']),
    limit: null
  }
  if (missing > settled)
    return [
      {
        ...base,
        call: 'stop',
        ...say('pieces-missing', { missing, still: missing - settled }),
        release: release('pieces-found')
      }
    ]
  if (missing > 0) return [{ ...base, call: 'back-in', ...say('pieces-accounted', { missing }) }]
  const broken = findingsOf(context, [...BREAKS, 'oil-plastic'])
  return broken.length === 0 ? [] : [{ ...base, readings: broken, call: 'look-closer', ...say('pieces-unknown') }]
}

/**
 * After a jump on an interference engine valves may have touched: compression or leak-down decides before it is
 * started.
 */
export function compression(context: RuleContext): Finding[] {
  const low = findingsOf(context, ['compression-low'])
  return low.length === 0
    ? []
    : [
        {
          part: ENGINE,
          rule: 'compression-low',
          call: 'stop',
          ...say('compression-low'),
          release: release('head-looked-at'),
          readings: low,
          limit: null
        }
      ]
}

/** A chain that ran on metal is renewed, and the engine is not run before chain and rail are. */
export function chainOnMetal(context: RuleContext, chain: Chain): Finding[] {
  const found = ranOnMetal(context, chain)
  if (found.length === 0) return []
  const base = { part: chain.id, rule: 'chain-on-metal', readings: inOrder(context, found), limit: null }
  return [
    { ...base, call: 'renew', ...say('ran-on-metal') },
    { ...base, call: 'stop', ...say('runs-on-metal'), release: release('chain-and-rails-renewed') }
  ]
}

/** What says that the chain ran on metal: of a rail it runs over, of a bridge above it, or of the chain itself. */
function ranOnMetal(context: RuleContext, chain: Chain): string[] {
  return [
    ...railsOf(context, chain).flatMap((id) => findingsOf(context, ['chain-on-metal'], id)),
    ...findingsOf(context, ['ran-on-metal'], chain.id)
  ]
}

const railsOf = ({ job, sheet }: RuleContext, chain: Chain) =>
  ridersOf(job.drive, chain).filter((id) => sheet.rails.has(id))

/** Where metal shows and nobody said whether the chain ran there, it is asked before the chain is passed. */
export function metalShows(context: RuleContext, chain: Chain): Finding[] {
  if (ranOnMetal(context, chain).length > 0 || findingsOf(context, ['sound'], chain.id).length > 0) return []
  return railsOf(context, chain).flatMap((rail): Finding[] => {
    const readings = findingsOf(context, ['metal-showing'], rail)
    const base = { part: chain.id, rule: 'metal-shows', readings, limit: null }
    return readings.length === 0 ? [] : [{ ...base, call: 'look-closer', ...say('metal-shows', { rail }) }]
  })
}

/** Findings of a phaser that can come apart. */
const COMES_APART = ['cover-bolts-loose', 'free-on-cam', 'retainer-broken', 'head-sheared-inside']
/** Findings of a phaser that has moved on its cam. */
const LOOSE = [...COMES_APART, 'metal-transfer']

/** A damaged locating pin follows a loose phaser: it is looked at before the new one goes on. */
export function pinAfterLoosePhaser(context: RuleContext, renewed: (part: string) => boolean): Finding[] {
  return context.job.drive.phasers.flatMap((phaser): Finding[] => {
    const loose = findingsOf(context, LOOSE, phaser.id)
    // Renewed with the rest, a phaser that was found tight was not loose.
    const worn = renewed(phaser.id) && (playRead(context, phaser)?.past ?? 0) > 0.5
    const looked = findingsOf(context, ['pin-sound', 'pin-worn', 'pin-sheared'], phaser.sprocket)
    if ((loose.length === 0 && !worn) || looked.length > 0) return []
    return [
      {
        part: phaser.sprocket,
        rule: 'pin-after-loose-phaser',
        call: 'look-closer',
        ...say('pin-after-loose-phaser', { phaser: phaser.id }),
        readings: loose,
        limit: null
      }
    ]
  })
}

/** A phaser able to come apart is renewed; the hold on it comes from the finding itself. */
export function loosePhaser(context: RuleContext): Finding[] {
  return context.job.drive.phasers.flatMap((phaser): Finding[] => {
    const readings = findingsOf(context, COMES_APART, phaser.id)
    return readings.length === 0
      ? []
      : [{ part: phaser.id, rule: 'loose-phaser', call: 'renew', ...say('loose-phaser'), readings, limit: null }]
  })
}

/** Designs known to be worse: renewed on sight where the sheet says so, else looked up. */
export function supersededDesigns(context: RuleContext): Finding[] {
  const { drive, readings } = context.job
  const targets = new Set(
    readings.flatMap((r) => (r.kind === 'condition' && r.finding === 'superseded' ? [r.target] : []))
  )
  return [...targets].map((part): Finding => {
    const base = { part, rule: 'superseded', readings: findingsOf(context, ['superseded'], part), limit: null }
    const known = drive.superseded?.find((s) => s.part === part)
    if (!known) return { ...base, call: 'look-closer', ...say('superseded-unknown') }
    const { design, source } = known
    return known.onSight
      ? { ...base, call: 'renew', ...say('superseded-on-sight', { design, source }) }
      : { ...base, call: 'look-closer', ...say('superseded-by-readings', { design, source }) }
  })
}

/** Paint burnt off the coloured links condemns a chain, whatever it measures, where the sheet says so. */
export function paintCondemns(context: RuleContext): Finding[] {
  return context.job.drive.chains.flatMap(({ id, paintCondemns: source }): Finding[] => {
    const readings = findingsOf(context, ['paint-gone'], id)
    return source === undefined || readings.length === 0
      ? []
      : [
          {
            part: id,
            rule: 'paint-condemns',
            call: 'renew',
            ...say('paint-condemns', { source }),
            readings,
            limit: null
          }
        ]
  })
}

/** Hooked or damaged teeth have worn the chain that ran on them. */
export function chainOnBadTeeth(context: RuleContext, chain: Chain): Finding[] {
  const readings = chain.path.flatMap((id) => findingsOf(context, ['teeth-hooked', 'teeth-damaged'], id))
  return readings.length === 0
    ? []
    : [
        {
          part: chain.id,
          rule: 'chain-on-bad-teeth',
          call: 'look-closer',
          ...say('chain-on-bad-teeth'),
          readings,
          limit: null,
          settle: { kind: 'chainLength', target: chain.id }
        }
      ]
}

import type { Message } from '../check'
import type { CamEstimate } from '../estimate'
import type { KnownReading } from '../readings'
import type { Chain } from '../sheet'
import { findingsOf } from './conditionRules'
import { soundCompression } from './figureRules'
import { idsOf, inOrder, readingsBehind, type RuleContext } from './context'
import { release, say } from './says'
import type { Finding } from './types'

/** From these odds of a jump on the evidence decides; every school holds this alike. */
const SURE = 0.9
/** From these odds of no jump on a cam is passed: where valves can meet pistons a wrong pass costs the engine. */
const STILL = { interference: 0.99, clear: 0.9 }

/** From these odds on an engine whose valves can meet its pistons is not turned by its starter before it is counted. */
const HELD = 0.6

/**
 * Whether each cam has jumped. Wear can only make a cam late: one that stands early has jumped or was set wrong.
 * A jump on an interference engine means that valves may have touched: a hold, until compression or leak-down says no.
 */
export function jump(context: RuleContext, chain: Chain): Finding[] {
  return Object.entries(context.estimates.cams).flatMap(([id, cam]): Finding[] => {
    if (cam.chain !== chain.id) return []
    const readings = inOrder(context, [
      ...idsOf(readingsBehind(context, chain.id, ['camLag'], id)),
      ...idsOf(countsOn(context, chain, id))
    ])
    const base = { part: id, rule: 'jump', readings, limit: null }
    if (!cam.jump.told || readings.length === 0)
      return [{ ...base, call: 'look-closer', ...say('jump-unread'), settle: { kind: 'camLag', target: id } }]
    const stays = cam.jump.all['0'] ?? 0
    const lag = cam.lag.mean
    const { teeth, odds } = cam.jump
    const blind = whyBlind(context, chain, id)
    if (stays > 1 - SURE && blind)
      return [
        {
          ...base,
          call: 'look-closer',
          ...say('jump-not-seen', { lag, odds: 1 - stays, why: blind }),
          settle: { kind: 'linkCount', target: chain.id }
        }
      ]
    const enough = context.job.drive.engine.interference ? STILL.interference : STILL.clear
    if (stays >= enough) return [{ ...base, call: 'back-in', ...say('no-jump', { lag, odds: stays }) }]
    const other = offOtherwise(context, chain, id, cam)
    if (other) return [{ ...base, ...other }]
    if (stays > 1 - SURE) {
      const settle = { kind: 'linkCount' as const, target: chain.id }
      const jumped = teeth === 0 ? 1 - stays : odds
      const stands = readLag(context, chain, id) ?? lag
      return mayHaveJumped(context, 1 - stays)
        ? [
            {
              ...base,
              call: 'stop',
              ...say('jump-or-mark', {
                lag: stands,
                teeth,
                odds: jumped,
                wrong: wrongMark(context, chain, id),
                ...arguedOf(cam)
              }),
              release: release('links-counted'),
              settle
            },
            ...tensionerQuestion(context, chain, id, readings)
          ]
        : [
            {
              ...base,
              call: 'look-closer',
              ...say('jump-undecided', { lag: stands, teeth, odds: jumped }),
              readings: [...readings, ...soundCompression(context)],
              settle
            }
          ]
    }
    return [{ ...base, ...reasonToHold(context, readings, cam) }, ...tensionerQuestion(context, chain, id, readings)]
  })
}

/**
 * What is not the chain's doing, or costs no valve: gears do not jump, they are set a tooth off; and a balance shaft or
 * pump off its mark shakes or starves, but nothing touches. Null for a cam that the chain drives.
 */
function offOtherwise(
  context: RuleContext,
  chain: Chain,
  id: string,
  { lag: { mean: lag }, jump: { teeth, odds } }: CamEstimate
): (Message & Pick<Finding, 'call' | 'release' | 'settle'>) | null {
  const { turns } = context.sheet.sprocket(id)
  const settle = { kind: 'camLag' as const, target: id }
  if (turns) return { call: 'look-closer', ...say('shaft-off', { lag, teeth, odds }), settle }
  if (chain.path.includes(id)) return null
  const off = say('gears-off', { lag, teeth, odds })
  return mayHaveJumped(context, odds)
    ? { call: 'stop', ...off, release: release('gears-set'), settle }
    : { call: 'look-closer', ...off, settle }
}

/** Is a jump likelier than not where it costs the engine, and nothing says yet that no valve was touched? */
function mayHaveJumped(context: RuleContext, jumped: number): boolean {
  return context.job.drive.engine.interference && jumped >= HELD && soundCompression(context).length === 0
}

/** Where a cam's marks were read to stand, whatever of it may be wrong; null without any. */
function readLag(context: RuleContext, chain: Chain, cam: string): number | null {
  const values = readingsBehind(context, chain.id, ['camLag'], cam).map(({ value }) => value)
  return values.length > 0 ? values.reduce((sum, value) => sum + value, 0) / values.length : null
}

/** Greatest odds that a lag of a cam was read at a wrong mark. */
function wrongMark(context: RuleContext, chain: Chain, cam: string): number {
  const lags = readingsBehind(context, chain.id, ['camLag'], cam)
  return Math.max(0, ...lags.map(({ id }) => context.estimated.get(id)?.wrong ?? 0))
}

/**
 * Why nothing that was read on a cam sees whole teeth: the lag of one whose phaser is not locked stands anywhere within
 * the phaser's range, and a count that ends between two links does not say which tooth; null where something sees them.
 */
function whyBlind(context: RuleContext, chain: Chain, cam: string): 'not-locked' | 'half-link' | 'both' | null {
  const lags = readingsBehind(context, chain.id, ['camLag'], cam)
  const counts = countsOn(context, chain, cam)
  const phaser = context.sheet.phaserOn(cam)
  const free = phaser !== null && findingsOf(context, ['not-locked'], phaser.id).length > 0
  if (lags.some(({ phaserLocked }) => phaserLocked !== false && !free)) return null
  if (counts.some(({ value }) => Number.isInteger(value))) return null
  if (lags.length === 0) return 'half-link'
  return counts.length === 0 ? 'not-locked' : 'both'
}

/** On an interference engine a hold, until compression or leak-down was found sound. */
function reasonToHold(
  context: RuleContext,
  readings: string[],
  cam: CamEstimate
): Message & Pick<Finding, 'call' | 'readings' | 'release'> {
  const { teeth, odds } = cam.jump
  const said = { lag: cam.lag.mean, teeth, odds, ...arguedOf(cam) }
  const sound = soundCompression(context)
  if (sound.length > 0)
    return {
      call: 'look-closer',
      ...say('jumped', { ...said, then: 'compression-sound' }),
      readings: [...readings, ...sound]
    }
  if (!context.job.drive.engine.interference)
    return { call: 'look-closer', ...say('jumped', { ...said, then: 'set-again' }), readings }
  return {
    call: 'stop',
    ...say('jumped', { ...said, then: 'hold' }),
    readings,
    release: release('set-and-compression')
  }
}

/** The argument from the lag's direction, as reasons say it. */
function arguedOf({ argument }: CamEstimate): { argued: boolean; hidden: number | null } {
  const { hidden = null } = (argument?.figures ?? {}) as { hidden?: number | null }
  return { argued: argument !== null, hidden }
}

/** A chain jumps because something let it: its tensioner is looked at. */
function tensionerQuestion({ sheet }: RuleContext, chain: Chain, cam: string, readings: string[]): Finding[] {
  const tensioner = sheet.tensionerOf(chain.id)
  return tensioner
    ? [
        {
          part: tensioner.id,
          rule: 'why-it-jumped',
          call: 'look-closer',
          ...say('why-it-jumped', { cam }),
          readings,
          limit: null
        }
      ]
    : []
}

/** The counts that begin or end at a cam. */
function countsOn(context: RuleContext, chain: Chain, cam: string): Extract<KnownReading, { kind: 'linkCount' }>[] {
  return readingsBehind(context, chain.id, ['linkCount']).filter(({ from, to }) => from === cam || to === cam)
}

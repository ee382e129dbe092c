import type { Chain } from '../sheet'
import { figure, lateOrEarly, odds, partName } from '../wording'
import { findingsOf } from './conditionRules'
import { readingsBehind, type RuleContext } from './context'
import type { Finding } from './types'

/** From these odds of a jump on, or up to one less these, the evidence decides; every school holds this alike. */
const SURE = 0.9

/**
 * Whether each cam has jumped. Wear can only make a cam late: one that stands early has jumped or was set wrong.
 * A jump on an interference engine means that valves may have touched: a hold, until compression or leak-down says no.
 */
export function jump(context: RuleContext, chain: Chain): Finding[] {
  return Object.entries(context.estimates.cams).flatMap(([id, cam]): Finding[] => {
    if (cam.chain !== chain.id) return []
    const readings = [...readingsBehind(context, chain.id, ['camLag'], id), ...countsOn(context, chain, id)].sort((a, b) => a - b)
    const base = { part: id, rule: 'jump', readings, limit: null }
    const lag = { kind: 'camLag' as const, target: id }
    if (!cam.jump.told || readings.length === 0) return [{ ...base, call: 'look-closer', text: 'Neither its mark nor a link count has been read.', settle: lag }]
    const stays = cam.jump.all['0'] ?? 0
    const standing = `It stands ${figure(Math.abs(cam.lag.mean), 1)}° ${lateOrEarly(cam.lag.mean)}`
    if (stays >= SURE) return [{ ...base, call: 'back-in', text: `${standing}; no tooth jumped (${odds(stays)}).` }]
    const { teeth, odds: likely } = cam.jump
    const how = teeth === 0 ? 'may have jumped' : `has jumped ${Math.abs(teeth)} ${Math.abs(teeth) === 1 ? 'tooth' : 'teeth'} ${lateOrEarly(teeth)}`
    if (stays > 1 - SURE) return [{ ...base, call: 'look-closer', text: `${standing}; it ${how} (${odds(teeth === 0 ? 1 - stays : likely)}): count the links from mark to mark.`, settle: { kind: 'linkCount', target: chain.id } }]
    const direction = cam.argument ? ` ${cam.argument}` : ''
    return [
      { ...base, ...held(context, base.readings, `${standing}: it ${how} (${odds(likely)}).${direction}`) },
      ...tensionerQuestion(context, chain, id, readings)
    ]
  })
}

/** On an interference engine a hold, until compression or leak-down was found sound. */
function held(context: RuleContext, readings: number[], text: string): Pick<Finding, 'call' | 'text' | 'readings' | 'release'> {
  const sound = findingsOf(context, ['compression-sound'])
  if (sound.length > 0) return { call: 'look-closer', text: `${text} Compression or leak-down is sound: set it to its marks and count.`, readings: [...readings, ...sound] }
  if (!context.job.drive.engine.interference) return { call: 'look-closer', text: `${text} Set it to its marks again and count.`, readings }
  return { call: 'stop', readings, release: 'Set to its marks, then compression or leak-down found sound.', text: `${text} On an interference engine valves may have touched: set it to its marks, then compression or leak-down before the engine is turned by the starter.` }
}

/** A chain jumps because something let it: its tensioner is looked at. */
function tensionerQuestion(context: RuleContext, chain: Chain, cam: string, readings: number[]): Finding[] {
  const tensioner = context.job.drive.tensioners.find((t) => t.chain === chain.id)
  if (!tensioner) return []
  return [{ part: tensioner.id, rule: 'why-it-jumped', call: 'look-closer', text: `${partName(context.job.drive, cam)} has jumped: find what let the chain go slack (ratchet, oil feed, a broken rail).`, readings, limit: null }]
}

function countsOn(context: RuleContext, chain: Chain, cam: string): number[] {
  return readingsBehind(context, chain.id, ['linkCount']).filter((index) => {
    const { from, to } = context.job.readings[index]!
    return from === cam || to === cam
  })
}

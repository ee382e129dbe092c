import { COUNTED_ITEMS, hold, releaseOf } from './says'
import type { Message } from '../../check'
import type { Assessment } from '../../paths'
import { cylinderPattern } from '../../readings'
import type { JobRecord } from '../../record'
import type { DriveSheet } from '../../sheet'
import type { BuildPlan } from './plan'
import type { Check } from './twoTurns'

/** Something that keeps the engine from being started, what releases it, and who did otherwise. */
export interface Hold {
  id: string
  /** The part that it is on; null for one of the engine as a whole. */
  part: string | null
  says: Message
  /** What belongs to it: what differences can mean, the first of the open steps. */
  more: readonly Message[]
  release: Message
  /** Who released it by word alone, and why. */
  released: { by: string; at: string; reason: string } | null
}

/** Rules whose calls hold the engine even where they do not say stop. */
const HOLDING_RULES = ['pin-after-loose-phaser']

/**
 * Everything that holds the engine back. A hold goes away when what it waits for is done, or is released by name with a
 * reason, which stays visible.
 */
export function holdsOf(
  sheet: DriveSheet,
  record: JobRecord,
  assessment: Assessment,
  plan: BuildPlan,
  checks: readonly Check[]
): Hold[] {
  const held: Omit<Hold, 'released'>[] = [
    ...foundHolds(record, assessment),
    ...jumpHold(sheet, record, assessment),
    ...insideHolds(record),
    ...turnHolds(checks),
    ...openTasks(record, plan)
  ]
  return held.map((one) => {
    const act = record.releases.get(one.id)
    return { ...one, released: act ? { by: act.by, at: act.at, reason: act.reason } : null }
  })
}

/** What was found at teardown and says stop, until the part it is on is renewed. */
function foundHolds(record: JobRecord, { calls }: Assessment): Omit<Hold, 'released'>[] {
  return calls.flatMap(({ part, reasons }) => {
    if (record.tasks.get(`part:${part}:fitted`)?.state === 'done') return []
    const holding = reasons.filter(({ call, rule }) => call === 'stop' || HOLDING_RULES.includes(rule))
    return holding.map(({ rule, code, figures, release }) => ({
      id: `${rule}:${part}`,
      part,
      says: { code, figures },
      more: [],
      release: release ?? releaseOf('note-what-was-found')
    }))
  })
}

/** Rules whose hold asks for compression or leak-down itself. */
const ASK_COMPRESSION = ['jump', 'compression-low']

/** After a jump on an interference engine valves may have touched. */
function jumpHold(sheet: DriveSheet, { readings }: JobRecord, { cams, calls }: Assessment): Omit<Hold, 'released'>[] {
  const jumped = Object.values(cams).some(({ jump }) => jump.told && jump.teeth !== 0 && jump.odds > 0.5)
  const looked =
    readings.some(({ finding }) => finding === 'compression-sound' || finding === 'compression-low') ||
    cylinderPattern(sheet, readings)?.complete === true
  const said = calls.some(({ reasons }) =>
    reasons.some(({ call, rule }) => call === 'stop' && ASK_COMPRESSION.includes(rule))
  )
  if (!jumped || !sheet.engine.interference || looked || said) return []
  return [
    {
      id: 'compression:engine',
      part: null,
      says: hold('valves-may-have-touched'),
      more: [],
      release: releaseOf('compression-entered')
    }
  ]
}

function insideHolds({ tasks }: JobRecord): Omit<Hold, 'released'>[] {
  return COUNTED_ITEMS.flatMap((item) => {
    const [into, out] = [tasks.get(`in:${item}`)?.value, tasks.get(`out:${item}`)?.value]
    if (into === undefined || out === undefined || into === out) return []
    return [
      {
        id: `inside:${item}`,
        part: null,
        says: hold('left-inside', { item, into, out }),
        more: [],
        release: releaseOf('find-and-count')
      }
    ]
  })
}

function turnHolds(checks: readonly Check[]): Omit<Hold, 'released'>[] {
  const differ = checks.filter(({ state }) => state === 'differs')
  const open = checks.filter(({ state, expected }) => state === 'open' && expected.kind !== 'extension')
  return [
    ...(differ.length > 0
      ? [
          {
            id: 'two-turns',
            part: null,
            says: hold('two-turns-differ'),
            more: differ.flatMap(({ means }) => means),
            release: releaseOf('set-and-turn')
          }
        ]
      : []),
    ...(open.length > 0
      ? [
          {
            id: 'two-turns-open',
            part: null,
            says: hold('two-turns-open', { open: open.length, all: checks.length }),
            more: [],
            release: releaseOf('turn-and-read')
          }
        ]
      : [])
  ]
}

/** Open steps that a hold names. */
const SHOWN = 3

function openTasks({ tasks }: JobRecord, { groups }: BuildPlan): Omit<Hold, 'released'>[] {
  const open = groups.flatMap((group) => group.tasks).filter(({ id, must }) => must && tasks.get(id)?.state !== 'done')
  return open.length > 0
    ? [
        {
          id: 'tasks',
          part: null,
          says: hold('steps-open', { open: open.length }),
          more: open.slice(0, SHOWN).map(({ says }) => says),
          release: releaseOf('tick-each')
        }
      ]
    : []
}

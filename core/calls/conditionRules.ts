import { type Finding as FoundFinding, type FINDINGS, findingsIn } from '../readings'
import type { PartKind } from '../sheet'
import type { RuleContext } from './context'
import { measuredSound } from './stretchRules'
import { say } from './says'
import type { Call, Finding } from './types'

/** The call that a finding of each kind of part alone makes; one that is not named makes none. */
type ConditionCalls = { readonly [K in PartKind]: { readonly [F in (typeof FINDINGS)[K][number]]?: Call } }

const RAIL = {
  sound: 'back-in',
  cracked: 'renew',
  broken: 'renew',
  'piece-missing': 'renew',
  'metal-showing': 'renew',
  'chain-on-metal': 'renew',
  brittle: 'renew',
  'bolts-loose': 'look-closer',
  'bolts-sheared': 'stop',
  'bolts-missing': 'stop',
  'hole-wallowed': 'renew',
  swapped: 'stop'
} as const

/**
 * What the findings of the closed list make of their parts, one by one; the words say why, and what releases a stop.
 * What hangs together with others (fragments, superseded designs, phasers that come apart, compression after a jump)
 * has rules of its own (holdRules.ts, couplings.ts).
 */
export const CONDITION_RULES = {
  chain: {
    sound: 'back-in',
    'as-new-beside-new': 'back-in',
    'stiff-links': 'renew',
    'loose-links': 'renew',
    'side-plates-worn': 'renew',
    'ran-on-metal': 'renew',
    'paint-clear': 'back-in',
    'paint-faded': 'look-closer',
    'paint-gone': 'look-closer',
    'link-total-wrong': 'stop',
    'slack-taken-up': 'back-in',
    'slack-stays': 'look-closer'
  },
  guide: RAIL,
  arm: { ...RAIL, 'contact-dug-in': 'renew' },
  bridge: { ...RAIL, 'chain-marks': 'look-closer' },
  tensioner: {
    sound: 'back-in',
    'plunger-stuck': 'renew',
    'plunger-slips-back': 'renew',
    'spring-short': 'renew',
    'ratchet-worn': 'renew',
    'oil-feed-blocked': 'stop',
    'witness-mark': 'look-closer',
    'pad-dug-in': 'renew',
    'lifter-gap': 'look-closer',
    'lifter-flush': 'look-closer',
    'lifter-locked': 'renew',
    modified: 'look-closer',
    're-tensioned': 'look-closer',
    'stop-gap': 'look-closer'
  },
  phaser: {
    sound: 'back-in',
    'not-locked': 'look-closer',
    'snaps-back': 'look-closer',
    lags: 'look-closer',
    'cold-start-rattle': 'back-in',
    'lock-pin-sticky': 'look-closer',
    'lock-pin-bore-worn': 'look-closer',
    'cover-bolts-loose': 'stop',
    'free-on-cam': 'stop',
    'bolt-torque-low': 'look-closer',
    'retainer-broken': 'stop',
    'head-sheared-inside': 'stop',
    'metal-transfer': 'renew'
  },
  sprocket: {
    sound: 'back-in',
    'teeth-hooked': 'renew',
    'teeth-damaged': 'renew',
    'pin-sheared': 'stop',
    'pin-worn': 'renew',
    'pin-sound': 'back-in',
    'free-on-shaft': 'stop',
    'bolt-torque-low': 'look-closer'
  },
  camshaft: {
    sound: 'back-in',
    'pin-sheared': 'stop',
    'pin-worn': 'renew',
    'seat-worn': 'renew',
    'flats-rounded': 'look-closer',
    'journal-scored': 'renew',
    'bridge-scored': 'stop'
  },
  cover: {
    sound: 'back-in',
    grooved: 'look-closer',
    'worn-through': 'renew',
    hole: 'renew',
    'oil-leak': 'look-closer'
  },
  trigger: { sound: 'back-in', 'teeth-chewed': 'renew', loose: 'renew', 'gap-wrong': 'look-closer' },
  auxiliary: { sound: 'back-in', 'ate-into-cover': 'renew', 'bearing-play': 'renew', 'drive-slack': 'look-closer' },
  oil: {
    'screen-clear': 'back-in',
    'screen-torn': 'renew',
    'screen-clogged': 'renew',
    'solenoid-works': 'back-in',
    'solenoid-silent': 'renew',
    'solenoid-resistance': 'renew',
    'o-rings-hard': 'renew',
    'feed-clear': 'back-in',
    'feed-blocked': 'stop'
  },
  fasteners: {
    sound: 'back-in',
    'stretch-bolt-used': 'renew',
    'bolt-sheared': 'stop',
    'bolt-missing': 'stop',
    'thread-damaged': 'look-closer'
  },
  engine: {}
} as const satisfies ConditionCalls

/** Findings that make a call, by kind of part. */
export type RuledFinding<K extends PartKind> = keyof (typeof CONDITION_RULES)[K] & FoundFinding

/** What the findings make of the parts they are on; a finding read twice speaks once. */
export function conditions(context: RuleContext): Finding[] {
  const { job, sheet } = context
  const found = new Map<string, Finding>()
  for (const reading of job.readings) {
    if (reading.kind !== 'condition') continue
    const { id, target, finding } = reading
    const kind = sheet.kindOf(target)
    const call = kind && callOf(kind, finding)
    if (!kind || !call || isAnswered(context, target, finding)) continue
    const key = `${target} ${finding}`
    const known = found.get(key)
    if (known) found.set(key, { ...known, readings: [...known.readings, id] })
    else
      found.set(key, {
        part: target,
        rule: `found-${finding}`,
        call,
        ...say('found', { kind, finding }),
        readings: [id],
        limit: null,
        ...(call === 'stop' ? { release: say('found', { kind, finding }) } : {})
      })
  }
  return [...found.values()]
}

/** Findings that ask for a chain's length, which may have been measured since. */
const ASK_FOR_LENGTH: ReadonlySet<string> = new Set(['paint-faded', 'paint-gone'])

function isAnswered(context: RuleContext, target: string, finding: string): boolean {
  const chain = context.sheet.chains.get(target)
  return chain !== undefined && ASK_FOR_LENGTH.has(finding) && measuredSound(context, chain)
}

function callOf(kind: PartKind, finding: string): Call | null {
  const calls: { readonly [finding: string]: Call } = CONDITION_RULES[kind]
  return Object.hasOwn(calls, finding) ? (calls[finding] ?? null) : null
}

/** Ids of the readings that found this on this part (or, without a part, on any). */
export function findingsOf({ job }: RuleContext, findings: readonly string[], part?: string): string[] {
  return findingsIn(job.readings, findings, part)
}

import { type PartKind, partKindOf } from '../sheet'
import { findingsIn } from '../readings'
import type { RuleContext } from './context'
import type { Call, Finding } from './types'

/** What one finding alone makes of the part it is on. */
interface ConditionRule {
  call: Call
  text: string
  /** On a hold: what releases it. */
  release?: string
}

const rule = (call: Call, text: string, release?: string): ConditionRule => ({ call, text, ...(release ? { release } : {}) })

const SOUND = rule('back-in', 'Looked at and found sound.')

const RAIL: Readonly<Record<string, ConditionRule>> = {
  'sound': SOUND,
  'cracked': rule('renew', 'Cracked: it breaks next.'),
  'broken': rule('renew', 'Broken.'),
  'piece-missing': rule('renew', 'Pieces of it are missing.'),
  'metal-showing': rule('renew', 'Its lining is worn through to the metal.'),
  'chain-on-metal': rule('renew', 'The chain has run on its metal.'),
  'brittle': rule('renew', 'Brittle or discoloured: heat and age have done it; it breaks without wearing.'),
  'bolts-loose': rule('look-closer', 'Its mounting bolts were loose: find out why (length, thread, a wallowed hole) before it goes back.'),
  'bolts-sheared': rule('stop', 'A mounting bolt has sheared.', 'Stub out, broken piece found, new bolts fitted.'),
  'bolts-missing': rule('stop', 'A mounting bolt is missing.', 'The bolt found, new bolts fitted.'),
  'hole-wallowed': rule('renew', 'Its mounting hole is wallowed: it moves on its bolt.'),
  'swapped': rule('stop', 'Upper and lower are swapped: what was read with it so does not hold.', 'Rails in their own places, and the extension read again.')
}

/**
 * What the findings of the closed list make of their parts, one by one. What hangs together with others (fragments,
 * superseded designs, phasers that come apart, compression after a jump) has rules of its own (holds.ts, couplings.ts).
 */
export const CONDITION_RULES: Readonly<Record<PartKind, Readonly<Record<string, ConditionRule>>>> = {
  chain: {
    'sound': SOUND,
    'as-new-beside-new': rule('back-in', 'It lies exactly as long as a new one: no stretch, whatever the timing said.'),
    'stiff-links': rule('renew', 'Stiff links: pins and bushes are damaged.'),
    'loose-links': rule('renew', 'Loose links: its pins move in the plates.'),
    'side-plates-worn': rule('renew', 'Its side plates are worn or bent.'),
    'ran-on-metal': rule('renew', 'It has run on metal: its plates and rollers are scored.'),
    'paint-clear': rule('back-in', 'The paint on its coloured links is clear: it was not overheated.'),
    'paint-faded': rule('look-closer', 'The paint on its coloured links has faded: a sign of heat with some makers. Measure its length.'),
    'paint-gone': rule('look-closer', 'The paint on its coloured links is gone: a sign of heat with some makers. Measure its length and look at the oil supply.'),
    'link-total-wrong': rule('stop', 'It has another number of links than the sheet: it is the wrong chain.', 'A chain with the sheet\'s number of links.'),
    'slack-taken-up': rule('back-in', 'The slack between the cams goes when the engine is turned forward: the cams only kicked back, that is not wear.'),
    'slack-stays': rule('look-closer', 'Slack stays when the engine is turned forward: the tensioner is out of travel or does not hold.')
  },
  guide: RAIL,
  arm: { ...RAIL, 'contact-dug-in': rule('renew', 'The plunger has dug into it: the extension reads long and the arm sticks.') },
  bridge: { ...RAIL, 'chain-marks': rule('look-closer', 'The chain has touched it: it went slack, or the bridge stands too low.') },
  tensioner: {
    'sound': SOUND,
    'plunger-stuck': rule('renew', 'Its plunger sticks.'),
    'plunger-slips-back': rule('renew', 'Its plunger slips back: the ratchet does not hold.'),
    'spring-short': rule('renew', 'Its spring is shorter than a new one.'),
    'ratchet-worn': rule('renew', 'Its ratchet is worn.'),
    'oil-feed-blocked': rule('stop', 'Its oil feed is blocked: a new one would fail as this one did.', 'Feed hole cleared and seen to run.'),
    'witness-mark': rule('look-closer', 'A bright mark stands ahead of an old stain: it moved recently, so the chain has just jumped or a rail just broke. Count the links and look at the rails.'),
    'pad-dug-in': rule('renew', 'Its contact pad has dug into the arm.'),
    'lifter-gap': rule('look-closer', 'Pushed in by hand it leaves a gap at its hole: the chain is fine, the lifter is suspect.'),
    'lifter-flush': rule('look-closer', 'Pushed in by hand it goes home flush: the chain is long, or a rail is worn.'),
    'stop-gap': rule('look-closer', 'Re-tensioned or held by an adjuster: that is a stop-gap, not a repair. Write down when it is looked at again.')
  },
  phaser: {
    'sound': SOUND,
    'locked-at-rest': rule('back-in', 'Locked at rest.'),
    'not-locked': rule('look-closer', 'Not locked at rest: its lock pin or its oil side. Its cam\'s lag reads anywhere within its range.'),
    'snaps-back': rule('look-closer', 'Snaps when turned by hand: read its free play at lock.'),
    'lags': rule('look-closer', 'Lags when turned by hand: read its free play at lock.'),
    'cold-start-rattle': rule('back-in', 'Rattles for under a second at a cold start: its lock pin. Noise only, it does no harm; the customer says whether it is worth the money.'),
    'lock-pin-sticky': rule('look-closer', 'Its lock pin is sticky: noise, not danger. Clean oil and a look at the screen come first.'),
    'lock-pin-bore-worn': rule('look-closer', 'The bore of its lock pin is worn: noise, not danger. It will not get better; the customer decides.'),
    'cover-bolts-loose': rule('stop', 'Its cover bolts are loose: it can come apart.', 'A new phaser, and its locating pin and notch looked at.'),
    'free-on-cam': rule('stop', 'The cam turns free of it: timing is not held, and it can come apart.', 'A new phaser and bolt, its locating pin and notch looked at, the cam set to its mark.'),
    'bolt-torque-low': rule('look-closer', 'Its bolt was found below torque: look at the locating pin and for metal transfer before a new bolt goes in.'),
    'metal-transfer': rule('renew', 'Metal has been carried over at its joint: it has moved on its cam.')
  },
  sprocket: {
    'sound': SOUND,
    'teeth-hooked': rule('renew', 'Its teeth are hooked.'),
    'teeth-damaged': rule('renew', 'Its teeth are chipped or marked: they spoil a new chain.'),
    'pin-sheared': rule('stop', 'Its locating pin has sheared: its timing is not held.', 'A new pin, the notch looked at, the cam set to its mark.'),
    'pin-worn': rule('renew', 'Its locating pin or notch is worn.'),
    'pin-sound': rule('back-in', 'Its locating pin and notch are sound.'),
    'free-on-shaft': rule('stop', 'It turns free on its shaft: its timing is not held.', 'Locating pin, notch and bolt renewed as needed, set to its mark.'),
    'bolt-torque-low': rule('look-closer', 'Its bolt was found below torque: look at the locating pin before a new bolt goes in.')
  },
  oil: {
    'screen-clear': rule('back-in', 'The screen is whole and clear.'),
    'screen-torn': rule('renew', 'A torn screen lets grit into the phaser.'),
    'screen-clogged': rule('renew', 'A clogged screen starves the phaser.'),
    'solenoid-works': rule('back-in', 'The solenoid clicks and its resistance is right.'),
    'solenoid-silent': rule('renew', 'The solenoid does not click.'),
    'solenoid-resistance': rule('renew', 'The solenoid\'s resistance is off.'),
    'o-rings-hard': rule('renew', 'Hard O-rings let the pressure past.'),
    'feed-clear': rule('back-in', 'The feed hole is clear.'),
    'feed-blocked': rule('stop', 'A feed hole is blocked: what it feeds runs dry.', 'Feed hole cleared and seen to run.')
  },
  fasteners: {
    'sound': rule('back-in', 'All accounted for.'),
    'stretch-bolt-used': rule('renew', 'A stretch bolt is used once.'),
    'bolt-sheared': rule('stop', 'A bolt has sheared.', 'Stub out, broken piece found, new bolt fitted.'),
    'bolt-missing': rule('stop', 'A bolt is missing.', 'The bolt found, or known never to have been there.'),
    'thread-damaged': rule('look-closer', 'A thread is damaged: mend it before anything is tightened in it.')
  },
  engine: {}
}

/** What the findings make of the parts they are on; a finding read twice speaks once. */
export function conditions({ job }: RuleContext): Finding[] {
  const found = new Map<string, Finding>()
  job.readings.forEach((reading, index) => {
    if (reading.kind !== 'condition') return
    const { target, finding } = reading
    const partKind = partKindOf(job.drive, target)!
    const rule = CONDITION_RULES[partKind][finding]
    if (!rule) return
    const key = `${target} ${finding}`
    const known = found.get(key)
    if (known) found.set(key, { ...known, readings: [...known.readings, index] })
    else found.set(key, { part: target, rule: `found-${finding}`, readings: [index], limit: null, ...rule })
  })
  return [...found.values()]
}

/** Indices of the readings that found this on this part (or, without a part, on any). */
export function findingsOf({ job }: RuleContext, findings: readonly string[], part?: string): number[] {
  return findingsIn(job.readings, findings, part)
}

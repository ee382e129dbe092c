import type { PartKind } from '../sheet'

const RAIL = {
  'sound': 'sound',
  'cracked': 'cracked',
  'broken': 'broken',
  'piece-missing': 'pieces missing',
  'metal-showing': 'metal showing through the lining',
  'chain-on-metal': 'chain has run on metal',
  'brittle': 'brittle or discoloured',
  'bolts-loose': 'mounting bolts loose',
  'bolts-sheared': 'mounting bolt sheared',
  'bolts-missing': 'mounting bolt missing',
  'hole-wallowed': 'mounting hole wallowed',
  'swapped': 'upper and lower swapped',
  'superseded': 'superseded design'
} as const

/** The closed list of findings that are no figures, by kind of part, with the words they are read out in. */
export const FINDINGS = {
  chain: {
    'sound': 'sound',
    'as-new-beside-new': 'lies exactly as long as a new one',
    'stiff-links': 'stiff links',
    'loose-links': 'loose links',
    'side-plates-worn': 'side plates worn or bent',
    'ran-on-metal': 'has run on metal',
    'paint-clear': 'paint on the coloured links clear',
    'paint-faded': 'paint on the coloured links faded',
    'paint-gone': 'paint on the coloured links gone',
    'link-total-wrong': 'another number of links than the sheet',
    'slack-taken-up': 'slack goes when turned forward',
    'slack-stays': 'slack stays when turned forward',
    'superseded': 'superseded design'
  },
  guide: RAIL,
  arm: { ...RAIL, 'contact-dug-in': 'dug in where the plunger presses' },
  bridge: { ...RAIL, 'chain-marks': 'marked by the chain' },
  tensioner: {
    'sound': 'sound',
    'plunger-stuck': 'plunger stuck',
    'plunger-slips-back': 'plunger slips back',
    'spring-short': 'spring shorter than new',
    'ratchet-worn': 'ratchet worn',
    'oil-feed-blocked': 'oil feed blocked',
    'witness-mark': 'bright witness mark ahead of an old stain',
    'pad-dug-in': 'contact pad dug into the arm',
    'lifter-gap': 'removed lifter leaves a gap at its hole',
    'lifter-flush': 'removed lifter goes home flush',
    'stop-gap': 're-tensioned or held by a manual adjuster',
    'superseded': 'superseded design'
  },
  phaser: {
    'sound': 'sound',
    'locked-at-rest': 'locked at rest',
    'not-locked': 'not locked at rest',
    'snaps-back': 'snaps when turned by hand',
    'lags': 'lags when turned by hand',
    'cold-start-rattle': 'rattles for under a second at a cold start',
    'lock-pin-sticky': 'lock pin sticky',
    'lock-pin-bore-worn': 'lock pin bore worn',
    'cover-bolts-loose': 'cover bolts loose',
    'free-on-cam': 'cam turns free of its sprocket',
    'bolt-torque-low': 'bolt torque found low',
    'metal-transfer': 'metal transfer at the joint',
    'superseded': 'superseded design'
  },
  sprocket: {
    'sound': 'sound',
    'teeth-hooked': 'teeth hooked',
    'teeth-damaged': 'teeth chipped or marked',
    'pin-sheared': 'locating pin sheared',
    'pin-worn': 'locating pin or its notch worn',
    'pin-sound': 'locating pin and notch sound',
    'free-on-shaft': 'turns free on its shaft',
    'bolt-torque-low': 'bolt torque found low',
    'superseded': 'superseded design'
  },
  oil: {
    'screen-clear': 'oil screen whole and clear',
    'screen-torn': 'oil screen torn',
    'screen-clogged': 'oil screen clogged',
    'solenoid-works': 'solenoid clicks, resistance right',
    'solenoid-silent': 'solenoid does not click',
    'solenoid-resistance': 'solenoid resistance off',
    'o-rings-hard': 'O-rings hard',
    'feed-clear': 'feed hole clear',
    'feed-blocked': 'feed hole blocked'
  },
  fasteners: {
    'sound': 'all accounted for',
    'stretch-bolt-used': 'stretch bolt used before',
    'bolt-sheared': 'bolt sheared',
    'bolt-missing': 'bolt missing',
    'thread-damaged': 'thread damaged'
  },
  engine: {
    'noise-under-a-second': 'noise for under a second at a cold start',
    'noise-seconds': 'noise for some seconds at a cold start',
    'noise-idle-only': 'noise at idle, gone when revved',
    'noise-warm-idle': 'noise minutes into a warm idle, like a sewing machine',
    'noise-always': 'hard noise all the time',
    'noise-none': 'no noise',
    'loudest-bank': 'loudest at a bank',
    'loudest-front': 'loudest at the front',
    'loudest-top': 'loudest at the top',
    'code-correlation': 'fault code: cam and crank do not correlate',
    'code-over-advanced': 'fault code: cam over-advanced',
    'code-over-retarded': 'fault code: cam over-retarded',
    'code-slow': 'fault code: cam slow to respond',
    'code-none': 'no fault code',
    'oil-overdue': 'oil change overdue',
    'oil-low': 'oil level low',
    'oil-wrong-grade': 'oil of the wrong grade',
    'oil-regular': 'oil changed regularly',
    'oil-glitter': 'glitter in the oil',
    'oil-plastic': 'plastic in pan or filter',
    'oil-clean': 'pan and filter clean',
    'renewed-chain': 'chain renewed before',
    'renewed-rails': 'rails renewed before',
    'renewed-tensioner': 'tensioner renewed before',
    'renewed-phaser': 'phaser renewed before',
    'vacuum-low': 'vacuum low at idle',
    'vacuum-right': 'vacuum right at idle',
    'trace-shifted': 'cam and crank trace shifted against a good one',
    'trace-alike': 'cam and crank trace like a good one',
    'compression-sound': 'compression or leak-down sound',
    'compression-low': 'compression or leak-down low',
    'pieces-found': 'missing pieces found',
    'pieces-accepted': 'missing pieces accepted in writing'
  }
} as const satisfies Record<PartKind, Record<string, string>>

/** Every finding of any part. */
export type Finding = { [K in PartKind]: keyof (typeof FINDINGS)[K] }[PartKind]

export const ALL_FINDINGS = [...new Set(Object.values(FINDINGS).flatMap((list) => Object.keys(list)))].sort() as Finding[]

/** A finding in words; null when it is not on the list of that kind of part. */
export function findingWords(kind: PartKind, finding: string): string | null {
  const list = FINDINGS[kind] as { [finding: string]: string }
  return Object.hasOwn(list, finding) ? list[finding]! : null
}

/** Findings that need a number of pieces with them to be any use. */
export const COUNTED_FINDINGS: readonly string[] = ['piece-missing', 'pieces-found', 'pieces-accepted']

import type { Call } from '../../core/calls'
import type { NumericKind, School, UsageUnit } from '../../core/readings'
import type { FINDINGS } from '../../core/readings'
import { figureOf, isFinding } from '../../core/readings'
import { compileSheet, type CountedNames, type DriveSheet, PART_KINDS, type PartKind } from '../../core/sheet'
import type { GroupTitle, Station } from '../../core/views/bench'
import type { Names } from '../say'
import { sayPartName } from './partNames'
import { t, texts } from '../spoken'

/** What parts, findings, kinds of readings, calls, schools and stations are called. */

/** Targets that are no part of a sheet. */
const STANDING = texts<Readonly<Record<string, string>>>({
  camshafts: 'Camshafts',
  'front-cover': 'Front cover',
  'trigger-wheel': 'Trigger wheel',
  'auxiliary-drive': 'Auxiliary drive',
  oil: 'Oil side',
  fasteners: 'Fasteners',
  engine: 'Engine'
})

/** The name of any part of a drive, or of oil, fasteners and engine. */
export function partName(sheet: DriveSheet, id: string): string {
  const own = compileSheet(sheet).nameOf(id)
  return own === null ? standingName(id) : sayPartName(own)
}

export function standingName(id: string): string {
  return Object.hasOwn(STANDING, id) ? STANDING[id]! : id
}

/** What the parts of a drive are called. */
export function namesOf(sheet: DriveSheet): Names {
  return (id) => partName(sheet, id)
}

export const KIND_NAMES: Readonly<Record<NumericKind, string>> = texts({
  extension: 'Tensioner extension',
  groove: 'Groove depth',
  padWear: 'Pad wear',
  camLag: 'Cam lag',
  linkCount: 'Link count',
  chainLength: 'Chain length',
  chainCompare: 'Longer than new',
  phaserPlay: 'Phaser play'
})

export const CALL_WORDS: Readonly<Record<Call, string>> = texts({
  'back-in': 'Back in',
  'look-closer': 'Look closer',
  renew: 'Renew',
  stop: 'Stop'
})

/** A school's name, and what it holds. */
export const SCHOOL_WORDS: Readonly<Record<School, { name: string; creed: string }>> = texts({
  'whole-set': {
    name: 'Whole set',
    creed:
      'With the cover off, chain, rails, arms and tensioners are renewed together: access costs more than parts, and worn parts spoil new ones.'
  },
  'on-evidence': {
    name: 'On evidence',
    creed: 'A sound part goes back whatever its age; what the readings condemn is renewed with what it is coupled to.'
  },
  weighed: {
    name: 'Weighed',
    creed:
      "The cheapest path over the customer's horizon, counting access, parts, the odds of coming back and what a failure would break."
  }
})

export const USAGE_UNITS: Readonly<Record<UsageUnit, string>> = texts({ km: 'km', mi: 'miles', h: 'hours' })

export const STATION_NAMES: Readonly<Record<Station, string>> = texts({
  1: 'Complaint',
  2: 'Before the covers',
  3: 'Set to the mark',
  4: 'Tension',
  5: 'Rails',
  6: 'Phasers',
  7: 'Chain on the bench'
})

/** Titles of findings that are asked together. */
export const GROUP_TITLES: Readonly<Record<GroupTitle, string>> = texts({
  'heard-when': 'When it is heard',
  'heard-too': 'Of the noise, too',
  'heard-where': 'Where it is loudest',
  'how-it-runs': 'How it runs',
  codes: 'Fault codes',
  oil: 'Oil',
  'renewed-before': 'Renewed before',
  vacuum: 'Vacuum at idle',
  'vacuum-gauge': 'Vacuum gauge',
  filter: 'Filter cut open',
  trace: 'Cam and crank trace against a good one',
  pan: 'Pan and filter',
  'oil-pressure': 'Oil pressure',
  cylinders: 'Compression and leak-down, each cylinder',
  'after-a-jump': 'After a jump',
  lifter: 'Removed lifter pushed in by hand',
  slack: 'Slack between the cams',
  found: 'Found'
})

const RAIL = {
  sound: 'sound',
  cracked: 'cracked',
  broken: 'broken',
  'piece-missing': 'pieces missing',
  'metal-showing': 'metal showing through the lining',
  'chain-on-metal': 'chain has run on metal',
  brittle: 'brittle or discoloured',
  'bolts-loose': 'mounting bolts loose',
  'bolts-sheared': 'mounting bolt sheared',
  'bolts-missing': 'mounting bolt missing',
  'hole-wallowed': 'mounting hole wallowed',
  swapped: 'upper and lower swapped',
  superseded: 'superseded design'
}

type FindingWords = { readonly [K in PartKind]: { readonly [F in (typeof FINDINGS)[K][number]]: string } }

/** Every finding of the closed list, as it is read out. */
const FINDING_WORDS: FindingWords = texts({
  chain: {
    sound: 'sound',
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
    superseded: 'superseded design'
  },
  guide: RAIL,
  arm: { ...RAIL, 'contact-dug-in': 'dug in where the plunger presses' },
  bridge: { ...RAIL, 'chain-marks': 'marked by the chain' },
  tensioner: {
    sound: 'sound',
    'plunger-stuck': 'plunger stuck',
    'plunger-slips-back': 'plunger slips back',
    'spring-short': 'spring shorter than new',
    'ratchet-worn': 'ratchet worn',
    'oil-feed-blocked': 'oil feed blocked',
    'witness-mark': 'bright witness mark ahead of an old stain',
    'pad-dug-in': 'contact pad dug into the arm',
    'lifter-gap': 'removed lifter leaves a gap at its hole',
    'lifter-flush': 'removed lifter goes home flush',
    'lifter-locked': 'lifter locked by its own worn flank',
    modified: 'modified or foreign lifter fitted',
    'spring-length': 'free length of the spring',
    'spring-force': 'force of the spring',
    're-tensioned': 're-tensioned, turns given',
    'stop-gap': 're-tensioned or held by a manual adjuster',
    superseded: 'superseded design'
  },
  phaser: {
    sound: 'sound',
    'locked-at-rest': 'locked at rest',
    'not-locked': 'not locked at rest',
    'snaps-back': 'snaps when turned by hand',
    lags: 'lags when turned by hand',
    'cold-start-rattle': 'rattles for under a second at a cold start',
    'lock-pin-sticky': 'lock pin sticky',
    'lock-pin-bore-worn': 'lock pin bore worn',
    'cover-bolts-loose': 'cover bolts loose',
    'free-on-cam': 'cam turns free of its sprocket',
    'bolt-torque-low': 'bolt torque found low',
    'bolt-torque': 'bolt torque as found',
    'retainer-broken': 'retainer inside broken',
    'head-sheared-inside': 'bolt head sheared off inside',
    'metal-transfer': 'metal transfer at the joint',
    superseded: 'superseded design'
  },
  sprocket: {
    sound: 'sound',
    'teeth-hooked': 'teeth hooked',
    'teeth-damaged': 'teeth chipped or marked',
    'pin-sheared': 'locating pin sheared',
    'pin-worn': 'locating pin or its notch worn',
    'pin-sound': 'locating pin and notch sound',
    'free-on-shaft': 'turns free on its shaft',
    'bolt-torque-low': 'bolt torque found low',
    'bolt-torque': 'bolt torque as found',
    superseded: 'superseded design'
  },
  camshaft: {
    sound: 'sound',
    'pin-sheared': 'its pin sheared',
    'pin-worn': 'its pin or notch worn',
    'seat-worn': 'seat of sprocket or phaser worn',
    'flats-rounded': 'holding flats rounded',
    'journal-scored': 'bearing journal scored',
    'bridge-scored': 'cam bearing bridge scored'
  },
  cover: {
    sound: 'sound',
    grooved: 'grooved inside by the chain',
    'worn-through': 'worn through',
    hole: 'hole in it',
    'oil-leak': 'oil leaks by it'
  },
  trigger: {
    sound: 'sound',
    'teeth-chewed': 'teeth chewed or bent',
    loose: 'loose on its shaft',
    'gap-wrong': 'gap to its sensor off'
  },
  auxiliary: {
    sound: 'sound',
    'ate-into-cover': 'has eaten into the cover',
    'bearing-play': 'bearing has play',
    'drive-slack': 'its chain or gear slack'
  },
  oil: {
    'screen-clear': 'oil screen whole and clear',
    'screen-torn': 'oil screen torn',
    'screen-clogged': 'oil screen clogged',
    'solenoid-works': 'solenoid clicks, resistance right',
    'solenoid-silent': 'solenoid does not click',
    'solenoid-resistance': 'solenoid resistance off',
    'solenoid-ohms': 'solenoid resistance',
    'o-rings-hard': 'O-rings hard',
    'feed-clear': 'feed hole clear',
    'feed-blocked': 'feed hole blocked'
  },
  fasteners: {
    sound: 'all accounted for',
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
    'noise-comes-and-goes': 'noise comes and goes from day to day',
    'noise-gone-at': 'noise gone from a speed on',
    'noise-none': 'no noise',
    'loudest-bank': 'loudest at a bank',
    'loudest-front': 'loudest at the front',
    'loudest-top': 'loudest at the top',
    'loudest-rear': 'loudest at the end away from the chain',
    'starts-badly': 'starts badly or not at all',
    'rough-idle': 'rough idle',
    'lacks-power': 'lacks power',
    'code-correlation': 'fault code: cam and crank do not correlate',
    'code-over-advanced': 'fault code: cam over-advanced',
    'code-over-retarded': 'fault code: cam over-retarded',
    'code-slow': 'fault code: cam slow to respond',
    'code-solenoid': 'fault code: solenoid circuit',
    'code-sensor': 'fault code: cam or crank signal missing',
    'code-misfire': 'fault code: misfire',
    'code-oil-pressure': 'fault code: oil pressure',
    'code-none': 'no fault code',
    'oil-overdue': 'oil change overdue',
    'oil-low': 'oil level low',
    'oil-wrong-grade': 'oil of the wrong grade',
    'oil-regular': 'oil changed regularly',
    'oil-glitter': 'glitter in the oil',
    'oil-plastic': 'plastic in pan or filter',
    'oil-clean': 'pan and filter clean',
    'oil-pressure-idle': 'oil pressure, warm idle',
    'oil-pressure-warm': 'oil pressure, warm at speed',
    'filter-metal': 'metal in the filter cut open',
    'renewed-chain': 'chain renewed before',
    'renewed-rails': 'rails renewed before',
    'renewed-tensioner': 'tensioner renewed before',
    'renewed-phaser': 'phaser renewed before',
    'vacuum-low': 'vacuum low at idle',
    'vacuum-right': 'vacuum right at idle',
    'vacuum-figure': 'vacuum at idle',
    'vacuum-swings': 'vacuum needle swings',
    'vacuum-steady': 'vacuum needle steady',
    'trace-shifted': 'cam and crank trace shifted against a good one',
    'trace-alike': 'cam and crank trace like a good one',
    'compression-sound': 'compression or leak-down sound',
    'compression-low': 'compression or leak-down low',
    'compression-figure': 'compression',
    'leak-down': 'leak-down',
    'pieces-found': 'missing pieces found',
    'pieces-accepted': 'missing pieces accepted in writing'
  }
})

/** A finding in words; the word itself where it is not on the list of that kind of part. */
export function findingWords(kind: PartKind, finding: string): string {
  const list: { readonly [finding: string]: string } = FINDING_WORDS[kind]
  return Object.hasOwn(list, finding) ? (list[finding] ?? finding) : finding
}

/** Units of findings' figures, as they are written behind one. */
export function figureUnit(finding: string): string {
  const unit = figureOf(finding)?.unit ?? ''
  return unit === 'usage' ? '' : unit
}

/** A finding in words, of whatever kind of part it is. */
export function anyFindingWords(finding: string): string {
  return findingWords(PART_KINDS.find((kind) => isFinding(kind, finding)) ?? 'engine', finding)
}

/** A finding that has a figure, with it: `compression 11.8 bar`. */
export function figureFinding(finding: string, value: number): string {
  return t`${anyFindingWords(finding)} ${value} ${figureUnit(finding)}`.trim()
}

/** Names of what a sheet made from counts has one of. */
export const COUNTED_NAMES: CountedNames = texts({
  crank: 'Crank sprocket',
  arm: 'Tensioner arm',
  guide: 'Fixed guide',
  slackShoe: 'Shoe on the slack strand',
  tightShoe: 'Shoe on the tight strand',
  tensioner: 'Tensioner',
  chain: 'Timing chain',
  of: (part, chain) => t`${part} ${chain + 1}`,
  driving: (shaft, chain) => t`${shaft}, driving chain ${chain + 1}`
})

import type { PartKind } from '../sheet'

const RAIL = [
  'sound',
  'cracked',
  'broken',
  'piece-missing',
  'metal-showing',
  'chain-on-metal',
  'brittle',
  'bolts-loose',
  'bolts-sheared',
  'bolts-missing',
  'hole-wallowed',
  'swapped',
  'superseded'
] as const

/** The closed list of findings that are no figures, by kind of part. */
export const FINDINGS = {
  chain: [
    'sound',
    'as-new-beside-new',
    'stiff-links',
    'loose-links',
    'side-plates-worn',
    'ran-on-metal',
    'paint-clear',
    'paint-faded',
    'paint-gone',
    'link-total-wrong',
    'slack-taken-up',
    'slack-stays',
    'superseded'
  ],
  guide: RAIL,
  arm: [...RAIL, 'contact-dug-in'],
  bridge: [...RAIL, 'chain-marks'],
  tensioner: [
    'sound',
    'plunger-stuck',
    'plunger-slips-back',
    'spring-short',
    'ratchet-worn',
    'oil-feed-blocked',
    'witness-mark',
    'pad-dug-in',
    'lifter-gap',
    'lifter-flush',
    'lifter-locked',
    'modified',
    'spring-length',
    'spring-force',
    're-tensioned',
    'stop-gap',
    'superseded'
  ],
  phaser: [
    'sound',
    'locked-at-rest',
    'not-locked',
    'snaps-back',
    'lags',
    'cold-start-rattle',
    'lock-pin-sticky',
    'lock-pin-bore-worn',
    'cover-bolts-loose',
    'free-on-cam',
    'bolt-torque-low',
    'bolt-torque',
    'retainer-broken',
    'head-sheared-inside',
    'metal-transfer',
    'superseded'
  ],
  sprocket: [
    'sound',
    'teeth-hooked',
    'teeth-damaged',
    'pin-sheared',
    'pin-worn',
    'pin-sound',
    'free-on-shaft',
    'bolt-torque-low',
    'bolt-torque',
    'superseded'
  ],
  camshaft: ['sound', 'pin-sheared', 'pin-worn', 'seat-worn', 'flats-rounded', 'journal-scored', 'bridge-scored'],
  cover: ['sound', 'grooved', 'worn-through', 'hole', 'oil-leak'],
  trigger: ['sound', 'teeth-chewed', 'loose', 'gap-wrong'],
  auxiliary: ['sound', 'ate-into-cover', 'bearing-play', 'drive-slack'],
  oil: [
    'screen-clear',
    'screen-torn',
    'screen-clogged',
    'solenoid-works',
    'solenoid-silent',
    'solenoid-resistance',
    'solenoid-ohms',
    'o-rings-hard',
    'feed-clear',
    'feed-blocked'
  ],
  fasteners: ['sound', 'stretch-bolt-used', 'bolt-sheared', 'bolt-missing', 'thread-damaged'],
  engine: [
    'noise-under-a-second',
    'noise-seconds',
    'noise-idle-only',
    'noise-warm-idle',
    'noise-always',
    'noise-comes-and-goes',
    'noise-gone-at',
    'noise-none',
    'loudest-bank',
    'loudest-front',
    'loudest-top',
    'loudest-rear',
    'starts-badly',
    'rough-idle',
    'lacks-power',
    'code-correlation',
    'code-over-advanced',
    'code-over-retarded',
    'code-slow',
    'code-solenoid',
    'code-sensor',
    'code-misfire',
    'code-oil-pressure',
    'code-none',
    'oil-overdue',
    'oil-low',
    'oil-wrong-grade',
    'oil-regular',
    'oil-glitter',
    'oil-plastic',
    'oil-clean',
    'oil-pressure-idle',
    'oil-pressure-warm',
    'filter-metal',
    'renewed-chain',
    'renewed-rails',
    'renewed-tensioner',
    'renewed-phaser',
    'vacuum-low',
    'vacuum-right',
    'vacuum-figure',
    'vacuum-swings',
    'vacuum-steady',
    'trace-shifted',
    'trace-alike',
    'compression-sound',
    'compression-low',
    'compression-figure',
    'leak-down',
    'pieces-found',
    'pieces-accepted'
  ]
} as const satisfies Record<PartKind, readonly string[]>

/** Every finding of any part. */
export type Finding = (typeof FINDINGS)[PartKind][number]

export const ALL_FINDINGS = [...new Set(Object.values(FINDINGS).flat())].sort() as Finding[]

const lists: Readonly<Record<PartKind, ReadonlySet<string>>> = Object.fromEntries(
  Object.entries(FINDINGS).map(([kind, list]) => [kind, new Set<string>(list)])
) as unknown as Record<PartKind, ReadonlySet<string>>

/** Is a finding on the list of a kind of part? */
export function isFinding(kind: PartKind, finding: string): boolean {
  return lists[kind].has(finding)
}

/** Findings that need a number of pieces with them to be any use. */
export const COUNTED_FINDINGS: readonly string[] = ['piece-missing', 'pieces-found', 'pieces-accepted']

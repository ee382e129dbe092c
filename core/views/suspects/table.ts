/**
 * What may be behind a complaint, and how much each answer speaks for or against it: a small table, editable as data.
 * The factors are judgement, not measurement: how many times likelier the answer is with that cause than on average.
 */

import type { PartKind } from '../../sheet'

export type SuspectId =
  | 'stretched-chain'
  | 'worn-rail'
  | 'arm-contact'
  | 'weak-tensioner'
  | 'jumped'
  | 'loose-phaser'
  | 'lock-pin'
  | 'phaser-oil'
  | 'oil-supply'
  | 'sensor'
  | 'wrong-fitting'
  | 'bad-new-part'
  | 'head'
  | 'auxiliary'
  | 'nothing'

export interface SuspectSpec {
  /** Share of complaints about this drive that it is behind, before anything is asked. */
  prior: number
  /** Is it mended behind the covers? */
  behindCovers: boolean
  /** Noise only: opened for it, the customer buys quiet and nothing else. */
  harmless?: true
}

export const SUSPECTS: Readonly<Record<SuspectId, SuspectSpec>> = {
  'stretched-chain': { prior: 0.22, behindCovers: true },
  'worn-rail': { prior: 0.11, behindCovers: true },
  'arm-contact': { prior: 0.08, behindCovers: true },
  'weak-tensioner': { prior: 0.15, behindCovers: false },
  jumped: { prior: 0.06, behindCovers: true },
  'loose-phaser': { prior: 0.06, behindCovers: true },
  'lock-pin': { prior: 0.12, behindCovers: true, harmless: true },
  'phaser-oil': { prior: 0.07, behindCovers: false },
  'oil-supply': { prior: 0.09, behindCovers: false },
  sensor: { prior: 0.04, behindCovers: false },
  /** Set or fitted wrong at an earlier repair. */
  'wrong-fitting': { prior: 0.02, behindCovers: true },
  /** A new part that is no good. */
  'bad-new-part': { prior: 0.02, behindCovers: true },
  /** Valve, gasket or ring, not the drive. */
  head: { prior: 0.03, behindCovers: false },
  /** A balance or pump chain, or what the drive turns beside the cams. */
  auxiliary: { prior: 0.02, behindCovers: true },
  /** Nothing is wrong with the drive, as far as anything was noticed. */
  nothing: { prior: 0.15, behindCovers: false }
}

export const SUSPECT_IDS = Object.keys(SUSPECTS) as SuspectId[]

/** How an answer bears on a suspect. */
export interface Bearing {
  /**
   * A finding of any part; one whose figure is held against a limit by what that comes to: `oil-pressure-idle:low`.
   * Cylinders together come as `cylinders:all-low` and so on.
   */
  finding: string
  suspect: SuspectId
  factor: number
  /** Only of a finding on this kind of part. */
  on?: PartKind
  /** Only where its figure is at least, or at most, this. */
  from?: number
  upTo?: number
  /** Counts in full right after the work, and fades with the usage since: what was done last is looked at first. */
  fades?: boolean
}

type Where = Pick<Bearing, 'on' | 'from' | 'upTo' | 'fades'>

const row = (finding: string, suspect: SuspectId, factor: number, where: Where = {}): Bearing => ({
  finding,
  suspect,
  factor,
  ...where
})

/** One finding on several suspects. */
const rows = (finding: string, factors: Partial<Record<SuspectId, number>>, where: Where = {}): Bearing[] =>
  Object.entries(factors).map(([suspect, factor]) => row(finding, suspect as SuspectId, factor, where))

const HEARD: readonly Bearing[] = [
  ...rows('noise-under-a-second', { 'lock-pin': 7, 'stretched-chain': 0.6, 'loose-phaser': 0.5, head: 0.3 }),
  ...rows('noise-seconds', {
    'weak-tensioner': 4.5,
    'oil-supply': 3,
    'stretched-chain': 1.5,
    'worn-rail': 1.4,
    'bad-new-part': 2.5
  }),
  ...rows('noise-seconds', { 'lock-pin': 8, 'weak-tensioner': 0.3, 'oil-supply': 0.4 }, { upTo: 1.2 }),
  ...rows('noise-seconds', { 'stretched-chain': 2.2, 'worn-rail': 1.4, 'weak-tensioner': 0.7 }, { from: 5 }),
  // A worn rail lets the chain slap as a long one does, at idle and before the oil is there.
  ...rows('noise-idle-only', { 'stretched-chain': 3, 'weak-tensioner': 3, 'oil-supply': 1.3, 'worn-rail': 1.5 }),
  ...rows('noise-warm-idle', { 'arm-contact': 8, 'stretched-chain': 0.7, 'lock-pin': 0.3 }),
  ...rows('noise-always', { 'loose-phaser': 6, 'worn-rail': 5, jumped: 1.5, auxiliary: 2, 'lock-pin': 0.2 }),
  ...rows('noise-comes-and-goes', { 'weak-tensioner': 2.5, 'lock-pin': 1.5, 'stretched-chain': 0.5, 'worn-rail': 0.6 }),
  ...rows('noise-gone-at', { 'weak-tensioner': 1.6, 'stretched-chain': 1.2, 'arm-contact': 1.4 }, { upTo: 1600 }),
  ...rows('noise-gone-at', { 'loose-phaser': 1.5, 'worn-rail': 1.5 }, { from: 2500 }),
  // Silence does not clear a rail: worn ones are quiet until the chain reaches the metal.
  ...rows('noise-none', {
    'loose-phaser': 0.3,
    'arm-contact': 0.2,
    'weak-tensioner': 0.4,
    nothing: 2.5,
    'lock-pin': 0.2,
    sensor: 2,
    'phaser-oil': 1.6,
    head: 1.5,
    'oil-supply': 0.5
  }),
  ...rows('loudest-bank', { 'loose-phaser': 1.6, 'weak-tensioner': 1.4, 'lock-pin': 1.3 }),
  ...rows('loudest-front', { 'stretched-chain': 1.4, 'worn-rail': 1.6, 'arm-contact': 1.2, 'loose-phaser': 0.7 }),
  ...rows('loudest-top', { 'lock-pin': 1.8, 'loose-phaser': 1.8, 'worn-rail': 0.7, 'stretched-chain': 0.7 }),
  ...rows('loudest-rear', { auxiliary: 4, 'stretched-chain': 0.5, 'worn-rail': 0.5, head: 1.5 }),
  ...rows('starts-badly', { jumped: 4, sensor: 1.8, 'wrong-fitting': 1.8, head: 1.3, 'lock-pin': 0.4 }),
  ...rows('rough-idle', { jumped: 2.2, 'phaser-oil': 2.2, head: 2, 'wrong-fitting': 1.8, 'stretched-chain': 1.2 }),
  ...rows('lacks-power', { jumped: 3, 'stretched-chain': 1.5, head: 1.6, 'wrong-fitting': 2, 'lock-pin': 0.5 })
]

const STORED: readonly Bearing[] = [
  ...rows('code-correlation', {
    jumped: 6,
    'stretched-chain': 3,
    'loose-phaser': 2,
    sensor: 3.5,
    'wrong-fitting': 4,
    'lock-pin': 0.5
  }),
  ...rows('code-over-advanced', { 'phaser-oil': 3, jumped: 2, 'stretched-chain': 0.3, 'wrong-fitting': 3 }),
  ...rows('code-over-retarded', { 'stretched-chain': 3, 'phaser-oil': 2, jumped: 1.5, 'wrong-fitting': 2 }),
  ...rows('code-slow', { 'phaser-oil': 6, 'oil-supply': 2.5 }),
  ...rows('code-solenoid', { 'phaser-oil': 8, sensor: 1.5 }),
  ...rows('code-sensor', { sensor: 12 }),
  ...rows('code-misfire', { head: 4, jumped: 2 }),
  ...rows('code-oil-pressure', { 'oil-supply': 7, 'worn-rail': 1.5 }),
  ...rows('code-none', { jumped: 0.4, sensor: 0.2, nothing: 2.5, 'phaser-oil': 0.5, 'wrong-fitting': 0.6 })
]

const OIL: readonly Bearing[] = [
  ...rows('oil-overdue', { 'stretched-chain': 1.8, 'phaser-oil': 1.8 }),
  ...rows('oil-low', { 'oil-supply': 5, 'weak-tensioner': 1.4 }),
  ...rows('oil-wrong-grade', { 'oil-supply': 3, 'lock-pin': 1.8 }),
  ...rows('oil-regular', { 'stretched-chain': 0.7, nothing: 1.3, 'oil-supply': 0.7 }),
  ...rows('oil-glitter', { 'worn-rail': 3.5, 'loose-phaser': 2.8, auxiliary: 2 }),
  ...rows('filter-metal', { 'worn-rail': 2.5, 'loose-phaser': 2, auxiliary: 2.5, nothing: 0.05 }),
  ...rows('oil-plastic', { 'worn-rail': 14 }),
  ...rows('oil-clean', { 'worn-rail': 0.5, nothing: 1.3 }),
  ...rows('oil-pressure-idle:low', { 'oil-supply': 8, 'weak-tensioner': 1.5 }),
  ...rows('oil-pressure-idle:right', { 'oil-supply': 0.15 }),
  ...rows('oil-pressure-warm:low', { 'oil-supply': 8 }),
  ...rows('oil-pressure-warm:right', { 'oil-supply': 0.3 })
]

const MEASURED: readonly Bearing[] = [
  ...rows('vacuum-low', { jumped: 4, 'stretched-chain': 1.5, head: 1.8, 'wrong-fitting': 2.5 }),
  ...rows('vacuum-figure:low', { jumped: 4, 'stretched-chain': 1.5, head: 1.8, 'wrong-fitting': 2.5 }),
  ...rows('vacuum-right', { jumped: 0.25, nothing: 1.4, head: 0.6, 'wrong-fitting': 0.5 }),
  ...rows('vacuum-figure:right', { jumped: 0.25, nothing: 1.4, head: 0.6, 'wrong-fitting': 0.5 }),
  ...rows('vacuum-swings', { head: 3, jumped: 1.2 }),
  ...rows('vacuum-steady', { head: 0.5, 'stretched-chain': 1.2 }),
  ...rows('trace-shifted', { jumped: 5, 'stretched-chain': 2.5, 'loose-phaser': 2, 'wrong-fitting': 4 }),
  ...rows('trace-alike', {
    jumped: 0.05,
    'stretched-chain': 0.5,
    nothing: 2,
    sensor: 1.5,
    'wrong-fitting': 0.1,
    'loose-phaser': 0.6
  }),
  ...rows('cylinders:all-low', { jumped: 10, 'wrong-fitting': 4, 'stretched-chain': 1.3 }),
  ...rows('cylinders:one-low', { head: 14, jumped: 0.8 }),
  ...rows('cylinders:neighbours-low', { head: 16, jumped: 0.5 }),
  ...rows('cylinders:some-low', { head: 4, jumped: 4 }),
  ...rows('cylinders:even', { head: 0.2, jumped: 0.5 }),
  ...rows('solenoid-ohms:low', { 'phaser-oil': 8 }),
  ...rows('spring-length:low', { 'weak-tensioner': 5 }),
  ...rows('spring-force:low', { 'weak-tensioner': 5 })
]

const RENEWED: readonly Bearing[] = [
  ...rows('renewed-chain', { 'stretched-chain': 0.3, 'wrong-fitting': 8, 'bad-new-part': 3 }, { fades: true }),
  ...rows('renewed-rails', { 'worn-rail': 0.3, 'wrong-fitting': 5, 'bad-new-part': 3 }, { fades: true }),
  ...rows('renewed-tensioner', { 'weak-tensioner': 0.45, 'wrong-fitting': 5, 'bad-new-part': 9 }, { fades: true }),
  ...rows(
    'renewed-phaser',
    { 'loose-phaser': 0.4, 'lock-pin': 0.4, 'wrong-fitting': 6, 'bad-new-part': 4 },
    { fades: true }
  )
]

const FOUND: readonly Bearing[] = [
  ...rows('lifter-gap', { 'stretched-chain': 0.15, 'weak-tensioner': 3.5 }),
  ...rows('lifter-flush', { 'stretched-chain': 6, 'worn-rail': 1.8, 'weak-tensioner': 0.5 }),
  ...rows('lifter-locked', { 'weak-tensioner': 8 }),
  ...rows('modified', { 'weak-tensioner': 2, 'bad-new-part': 4 }),
  ...rows('plunger-slips-back', { 'weak-tensioner': 6 }),
  ...rows('plunger-stuck', { 'weak-tensioner': 7 }),
  ...rows('spring-short', { 'weak-tensioner': 6 }),
  ...rows('ratchet-worn', { 'weak-tensioner': 5, jumped: 1.5 }),
  ...rows('oil-feed-blocked', { 'weak-tensioner': 3, 'oil-supply': 4 }),
  // It has moved just now: something let the chain go slack.
  ...rows('witness-mark', { jumped: 5, 'worn-rail': 3, 'stretched-chain': 0.6 }),
  ...rows('pad-dug-in', { 'arm-contact': 7 }),
  ...rows('contact-dug-in', { 'arm-contact': 9 }),
  ...rows('superseded', { 'weak-tensioner': 3 }, { on: 'tensioner' }),
  ...rows('superseded', { 'stretched-chain': 2.5 }, { on: 'chain' }),
  ...rows('superseded', { 'loose-phaser': 1.6, 'lock-pin': 2 }, { on: 'phaser' }),
  ...(['guide', 'arm', 'bridge'] as const).flatMap((on) => [
    ...rows('superseded', { 'worn-rail': 2.5 }, { on }),
    ...rows('sound', { 'worn-rail': 0.4 }, { on }),
    ...rows('broken', { 'worn-rail': 20 }, { on }),
    ...rows('cracked', { 'worn-rail': 15 }, { on })
  ]),
  ...rows('piece-missing', { 'worn-rail': 18 }),
  ...rows('metal-showing', { 'worn-rail': 15 }),
  ...rows('chain-on-metal', { 'worn-rail': 18, 'stretched-chain': 1.5 }),
  ...rows('brittle', { 'worn-rail': 4 }),
  ...rows('bolts-loose', { 'worn-rail': 4, 'wrong-fitting': 2.5 }),
  ...rows('bolts-sheared', { 'worn-rail': 8 }),
  ...rows('bolts-missing', { 'worn-rail': 4, 'wrong-fitting': 5 }),
  ...rows('hole-wallowed', { 'worn-rail': 5 }),
  ...rows('swapped', { 'wrong-fitting': 15 }),
  ...rows('chain-marks', { 'stretched-chain': 2, 'worn-rail': 2 }),
  ...rows('slack-stays', { 'stretched-chain': 2, 'weak-tensioner': 2.5 }),
  ...rows('slack-taken-up', { 'stretched-chain': 0.7, nothing: 1.3 }),
  ...rows('as-new-beside-new', { 'stretched-chain': 0.05 }),
  ...rows('stiff-links', { 'stretched-chain': 2.5 }),
  ...rows('paint-gone', { 'stretched-chain': 1.8, 'oil-supply': 1.5 }),
  ...rows('link-total-wrong', { 'wrong-fitting': 20 }),
  ...rows('snaps-back', { 'loose-phaser': 4, 'lock-pin': 2 }, { on: 'phaser' }),
  ...rows('lags', { 'loose-phaser': 3 }, { on: 'phaser' }),
  ...rows('cover-bolts-loose', { 'loose-phaser': 20 }),
  ...rows('free-on-cam', { 'loose-phaser': 15, 'wrong-fitting': 1.5 }),
  ...rows('retainer-broken', { 'loose-phaser': 18 }),
  ...rows('head-sheared-inside', { 'loose-phaser': 18 }),
  ...rows('metal-transfer', { 'loose-phaser': 8 }),
  ...rows('bolt-torque-low', { 'loose-phaser': 4, 'wrong-fitting': 3 }),
  ...rows('bolt-torque:low', { 'loose-phaser': 4, 'wrong-fitting': 3 }),
  ...rows('lock-pin-sticky', { 'lock-pin': 8 }),
  ...rows('lock-pin-bore-worn', { 'lock-pin': 8 }),
  ...rows('cold-start-rattle', { 'lock-pin': 6 }),
  ...rows('not-locked', { 'phaser-oil': 2, 'lock-pin': 2.5 }),
  ...rows('pin-sheared', { 'loose-phaser': 3, jumped: 3, 'wrong-fitting': 2 }),
  ...rows('pin-worn', { 'loose-phaser': 4 }),
  ...rows('screen-torn', { 'phaser-oil': 8 }),
  ...rows('screen-clogged', { 'phaser-oil': 8, 'oil-supply': 1.5 }),
  ...rows('screen-clear', { 'phaser-oil': 0.5 }),
  ...rows('solenoid-silent', { 'phaser-oil': 8 }),
  ...rows('solenoid-resistance', { 'phaser-oil': 8 }),
  ...rows('solenoid-works', { 'phaser-oil': 0.5 }),
  ...rows('o-rings-hard', { 'phaser-oil': 3 }),
  ...rows('feed-blocked', { 'phaser-oil': 4, 'oil-supply': 3, 'weak-tensioner': 1.5 }),
  ...rows('teeth-chewed', { sensor: 12 }),
  ...rows('loose', { sensor: 8 }, { on: 'trigger' }),
  ...rows('gap-wrong', { sensor: 8 }),
  ...rows('grooved', { 'worn-rail': 4, 'stretched-chain': 2.5 }, { on: 'cover' }),
  ...rows('worn-through', { 'worn-rail': 3, 'stretched-chain': 2, auxiliary: 2 }, { on: 'cover' }),
  ...rows('ate-into-cover', { auxiliary: 15 }),
  ...rows('bearing-play', { auxiliary: 8 }),
  ...rows('drive-slack', { auxiliary: 8 }),
  ...rows('seat-worn', { 'loose-phaser': 3, 'wrong-fitting': 2 })
]

/** Findings that say nothing is wrong, or that nobody notices by running it. */
const QUIET: ReadonlySet<string> = new Set([
  'noise-none',
  'code-none',
  'oil-overdue',
  'oil-low',
  'oil-wrong-grade',
  'oil-regular',
  'oil-clean',
  'filter-metal',
  'oil-pressure-idle:right',
  'oil-pressure-warm:right',
  'vacuum-right',
  'vacuum-figure:right',
  'vacuum-steady',
  'trace-alike',
  'cylinders:even',
  'lifter-gap',
  'sound',
  'slack-taken-up',
  'as-new-beside-new',
  'screen-clear',
  'solenoid-works'
])

/** Whatever is heard, stored or found is not nothing. */
const NOTICED = [...HEARD, ...STORED, ...OIL, ...MEASURED, ...FOUND].flatMap(({ finding }) =>
  QUIET.has(finding) ? [] : [finding]
)

export const BEARINGS: readonly Bearing[] = [
  ...HEARD,
  ...STORED,
  ...OIL,
  ...MEASURED,
  ...RENEWED,
  ...FOUND,
  ...[...new Set(NOTICED)].map((finding) => row(finding, 'nothing', 0.05))
]

/**
 * Usage at which half of such chains are past their limit, by unit; only for weighing suspects, it condemns nothing.
 */
export const TYPICAL_LIFE = { km: 220_000, mi: 137_000, h: 5000 } as const

/** Usage after which what was renewed last is half as suspect, by unit. */
export const FADES_OVER = { km: 15_000, mi: 9000, h: 350 } as const

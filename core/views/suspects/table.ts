/**
 * What may be behind a complaint, and how much each answer speaks for or against it: a small table, editable as data.
 * The factors are judgement, not measurement: how many times likelier the answer is with that cause than on average.
 */

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
  /** Nothing is wrong with the drive, as far as anything was noticed. */
  nothing: { prior: 0.15, behindCovers: false }
}

export const SUSPECT_IDS = Object.keys(SUSPECTS) as SuspectId[]

/** How an answer bears on a suspect. */
export interface Bearing {
  /** A finding of the engine or the tensioner. */
  finding: string
  suspect: SuspectId
  factor: number
}

const row = (finding: string, suspect: SuspectId, factor: number): Bearing => ({ finding, suspect, factor })

const NOTICED = [
  'noise-under-a-second',
  'noise-seconds',
  'noise-idle-only',
  'noise-warm-idle',
  'noise-always',
  'code-correlation',
  'code-over-advanced',
  'code-over-retarded',
  'code-slow',
  'oil-glitter',
  'oil-plastic',
  'vacuum-low',
  'trace-shifted',
  'plunger-slips-back'
]

export const BEARINGS: readonly Bearing[] = [
  row('noise-under-a-second', 'lock-pin', 7),
  row('noise-under-a-second', 'stretched-chain', 0.6),
  row('noise-under-a-second', 'loose-phaser', 0.5),
  row('noise-seconds', 'weak-tensioner', 4.5),
  row('noise-seconds', 'oil-supply', 3),
  row('noise-seconds', 'stretched-chain', 1.5),
  row('noise-idle-only', 'stretched-chain', 3),
  row('noise-idle-only', 'weak-tensioner', 3),
  row('noise-warm-idle', 'arm-contact', 8),
  row('noise-always', 'loose-phaser', 6),
  row('noise-always', 'worn-rail', 5),
  row('noise-none', 'loose-phaser', 0.3),
  // Silence does not clear a rail: worn ones are quiet until the chain reaches the metal.
  row('noise-none', 'arm-contact', 0.2),
  row('noise-none', 'weak-tensioner', 0.4),
  row('noise-none', 'nothing', 2.5),
  row('noise-none', 'lock-pin', 0.2),
  row('noise-none', 'sensor', 2),
  row('loudest-bank', 'loose-phaser', 1.6),
  row('loudest-bank', 'weak-tensioner', 1.4),
  row('loudest-front', 'stretched-chain', 1.3),
  row('loudest-front', 'worn-rail', 1.3),
  row('loudest-top', 'lock-pin', 1.8),
  row('loudest-top', 'loose-phaser', 1.8),
  row('code-correlation', 'jumped', 8),
  row('code-correlation', 'stretched-chain', 3),
  row('code-correlation', 'loose-phaser', 2),
  row('code-correlation', 'sensor', 2),
  row('code-over-advanced', 'phaser-oil', 3),
  row('code-over-advanced', 'jumped', 2),
  row('code-over-advanced', 'stretched-chain', 0.5),
  row('code-over-retarded', 'stretched-chain', 2.5),
  row('code-over-retarded', 'phaser-oil', 2),
  row('code-slow', 'phaser-oil', 6),
  row('code-slow', 'oil-supply', 3),
  row('code-none', 'jumped', 0.4),
  row('code-none', 'sensor', 0.2),
  row('oil-overdue', 'stretched-chain', 1.8),
  row('oil-overdue', 'phaser-oil', 1.8),
  row('oil-low', 'oil-supply', 5),
  row('oil-low', 'weak-tensioner', 1.4),
  row('oil-wrong-grade', 'oil-supply', 3),
  row('oil-wrong-grade', 'lock-pin', 1.4),
  row('oil-regular', 'stretched-chain', 0.7),
  row('oil-glitter', 'worn-rail', 3.5),
  row('oil-glitter', 'loose-phaser', 2.5),
  row('oil-plastic', 'worn-rail', 10),
  row('oil-clean', 'worn-rail', 0.5),
  row('renewed-chain', 'stretched-chain', 0.7),
  row('renewed-rails', 'worn-rail', 0.7),
  row('renewed-tensioner', 'weak-tensioner', 0.7),
  row('renewed-phaser', 'loose-phaser', 0.7),
  row('vacuum-low', 'jumped', 4),
  row('vacuum-low', 'stretched-chain', 1.5),
  row('vacuum-right', 'jumped', 0.25),
  row('trace-shifted', 'jumped', 5),
  row('trace-shifted', 'stretched-chain', 2.5),
  row('trace-shifted', 'loose-phaser', 2),
  row('trace-alike', 'jumped', 0.05),
  row('trace-alike', 'stretched-chain', 0.5),
  row('lifter-gap', 'stretched-chain', 0.15),
  row('lifter-gap', 'weak-tensioner', 3.5),
  row('lifter-flush', 'stretched-chain', 6),
  row('lifter-flush', 'worn-rail', 1.8),
  row('plunger-slips-back', 'weak-tensioner', 6),
  row('code-none', 'nothing', 2.5),
  row('oil-clean', 'nothing', 1.3),
  row('oil-regular', 'nothing', 1.3),
  row('vacuum-right', 'nothing', 1.4),
  row('trace-alike', 'nothing', 2),
  // Whatever is heard, stored or found is not nothing.
  ...NOTICED.map((finding) => row(finding, 'nothing', 0.05))
]

/**
 * Usage at which half of such chains are past their limit, by unit; only for weighing suspects, it condemns nothing.
 */
export const TYPICAL_LIFE = { km: 220_000, mi: 137_000, h: 5000 } as const

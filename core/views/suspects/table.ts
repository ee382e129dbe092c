/**
 * What may be behind a complaint, and how much each answer speaks for or against it: a small table, editable as data.
 * The factors are judgement, not measurement: how many times likelier the answer is with that cause than on average.
 */

export type SuspectId =
  | 'stretched-chain' | 'worn-rail' | 'arm-contact' | 'weak-tensioner' | 'jumped' | 'loose-phaser' | 'lock-pin' | 'phaser-oil' | 'oil-supply' | 'sensor'

export interface SuspectSpec {
  name: string
  /** Share of complaints about this drive that it is behind, before anything is asked. */
  prior: number
  /** Is it mended behind the covers? */
  behindCovers: boolean
  /** What to look at first. */
  look: string
}

export const SUSPECTS: Readonly<Record<SuspectId, SuspectSpec>> = {
  'stretched-chain': { name: 'Chain stretched', prior: 0.22, behindCovers: true, look: 'tensioner extension, then cam lag at the marks' },
  'worn-rail': { name: 'Rail worn through or broken', prior: 0.11, behindCovers: true, look: 'pan and filter for plastic, rails by borescope' },
  'arm-contact': { name: 'Contact of arm and tensioner worn', prior: 0.08, behindCovers: true, look: 'where the plunger presses on the arm' },
  'weak-tensioner': { name: 'Tensioner bleeds down or is weak', prior: 0.15, behindCovers: false, look: 'plunger and ratchet, oil feed, design' },
  'jumped': { name: 'Chain has jumped', prior: 0.06, behindCovers: true, look: 'marks and link counts, before the starter turns it again' },
  'loose-phaser': { name: 'Phaser loose, able to come apart', prior: 0.06, behindCovers: true, look: 'phaser play, its cover bolts and locating pin' },
  'lock-pin': { name: 'Phaser lock pin lets go at a start', prior: 0.12, behindCovers: true, look: 'phaser locked at rest? It is noise only' },
  'phaser-oil': { name: 'Oil side of a phaser: screen, solenoid, O-rings', prior: 0.07, behindCovers: false, look: 'solenoid and screen, reached from outside' },
  'oil-supply': { name: 'Oil level, grade or pressure', prior: 0.09, behindCovers: false, look: 'dipstick, grade, pressure at the gallery' },
  'sensor': { name: 'Sensor or wiring, not the drive', prior: 0.04, behindCovers: false, look: 'cam and crank sensors, their wiring and trigger wheels' }
}

export const SUSPECT_IDS = Object.keys(SUSPECTS) as SuspectId[]

/** How an answer bears on a suspect. */
export interface Bearing {
  /** A finding of the engine or the tensioner (readings/conditions.ts). */
  finding: string
  suspect: SuspectId
  factor: number
  because: string
}

const row = (finding: string, suspect: SuspectId, factor: number, because: string): Bearing => ({ finding, suspect, factor, because })

export const BEARINGS: readonly Bearing[] = [
  row('noise-under-a-second', 'lock-pin', 7, 'under a second at a cold start is typical of a phaser\'s lock pin'),
  row('noise-under-a-second', 'stretched-chain', 0.6, 'a slack chain rattles longer than that'),
  row('noise-under-a-second', 'loose-phaser', 0.5, 'a loose phaser does not go quiet so soon'),
  row('noise-seconds', 'weak-tensioner', 4.5, 'it lasts until the tensioner has filled'),
  row('noise-seconds', 'oil-supply', 3, 'it lasts until oil pressure is there'),
  row('noise-seconds', 'stretched-chain', 1.5, 'a long chain needs more travel before it is quiet'),
  row('noise-idle-only', 'stretched-chain', 3, 'a slack chain slaps at idle and is pulled taut when revved'),
  row('noise-idle-only', 'weak-tensioner', 3, 'oil pressure at idle does not hold the plunger'),
  row('noise-warm-idle', 'arm-contact', 8, 'like a sewing machine in a warm idle: arm and tensioner contact'),
  row('noise-always', 'loose-phaser', 6, 'hard and all the time: a loose phaser'),
  row('noise-always', 'worn-rail', 5, 'hard and all the time: chain on metal'),
  row('noise-none', 'loose-phaser', 0.3, 'a loose phaser is heard'),
  row('noise-none', 'worn-rail', 0.5, 'a chain on metal is heard'),
  row('noise-none', 'lock-pin', 0.2, 'a lock pin is heard at cold starts'),
  row('noise-none', 'sensor', 2, 'a sensor makes no noise'),
  row('loudest-bank', 'loose-phaser', 1.6, 'one bank louder: a phaser or tensioner of that bank'),
  row('loudest-bank', 'weak-tensioner', 1.4, 'one bank louder: a phaser or tensioner of that bank'),
  row('loudest-front', 'stretched-chain', 1.3, 'loudest where the chain runs'),
  row('loudest-front', 'worn-rail', 1.3, 'loudest where the rails are'),
  row('loudest-top', 'lock-pin', 1.8, 'loudest where the phasers sit'),
  row('loudest-top', 'loose-phaser', 1.8, 'loudest where the phasers sit'),
  row('code-correlation', 'jumped', 8, 'cam and crank do not agree: a tooth'),
  row('code-correlation', 'stretched-chain', 3, 'cam and crank do not agree: stretch retards the cams'),
  row('code-correlation', 'loose-phaser', 2, 'cam and crank do not agree: a phaser moved on its cam'),
  row('code-correlation', 'sensor', 2, 'cam and crank do not agree: one of them is read wrongly'),
  row('code-over-advanced', 'phaser-oil', 3, 'a phaser held advanced by its oil side'),
  row('code-over-advanced', 'jumped', 2, 'early can only be a jump or a wrong setting'),
  row('code-over-advanced', 'stretched-chain', 0.5, 'wear retards, it never advances'),
  row('code-over-retarded', 'stretched-chain', 2.5, 'stretch retards the cams'),
  row('code-over-retarded', 'phaser-oil', 2, 'a phaser that does not leave its rest'),
  row('code-slow', 'phaser-oil', 6, 'slow to respond: too little oil reaches the phaser'),
  row('code-slow', 'oil-supply', 3, 'slow to respond: pressure or grade'),
  row('code-none', 'jumped', 0.4, 'a jumped tooth mostly sets a code'),
  row('code-none', 'sensor', 0.2, 'a bad sensor sets a code'),
  row('oil-overdue', 'stretched-chain', 1.8, 'old oil wears pins and bushes'),
  row('oil-overdue', 'phaser-oil', 1.8, 'old oil clogs screens'),
  row('oil-low', 'oil-supply', 5, 'too little oil'),
  row('oil-low', 'weak-tensioner', 1.4, 'too little oil starves the tensioner'),
  row('oil-wrong-grade', 'oil-supply', 3, 'the wrong grade'),
  row('oil-wrong-grade', 'lock-pin', 1.4, 'the wrong grade is slow to reach the phasers'),
  row('oil-regular', 'stretched-chain', 0.7, 'regular oil changes are kind to a chain'),
  row('oil-glitter', 'worn-rail', 3.5, 'glitter: metal is being worn'),
  row('oil-glitter', 'loose-phaser', 2.5, 'glitter: metal is being worn'),
  row('oil-plastic', 'worn-rail', 10, 'plastic in the pan comes from a rail'),
  row('oil-clean', 'worn-rail', 0.5, 'a broken rail leaves plastic'),
  row('renewed-chain', 'stretched-chain', 0.7, 'renewed before, which makes it less likely but does not rule it out: new is not good'),
  row('renewed-rails', 'worn-rail', 0.7, 'renewed before, which makes it less likely but does not rule it out: new is not good'),
  row('renewed-tensioner', 'weak-tensioner', 0.7, 'renewed before, which makes it less likely but does not rule it out: new is not good'),
  row('renewed-phaser', 'loose-phaser', 0.7, 'renewed before, which makes it less likely but does not rule it out: new is not good'),
  row('vacuum-low', 'jumped', 4, 'low vacuum: a cam stands wrong'),
  row('vacuum-low', 'stretched-chain', 1.5, 'low vacuum: the cams are late'),
  row('vacuum-right', 'jumped', 0.25, 'with a tooth off, vacuum is low'),
  row('trace-shifted', 'jumped', 5, 'the trace is shifted: a tooth'),
  row('trace-shifted', 'stretched-chain', 2.5, 'the trace is shifted: stretch'),
  row('trace-shifted', 'loose-phaser', 2, 'the trace is shifted: a phaser moved on its cam'),
  row('trace-alike', 'jumped', 0.05, 'a jump would shift the trace'),
  row('trace-alike', 'stretched-chain', 0.5, 'much stretch would shift the trace'),
  row('lifter-gap', 'stretched-chain', 0.15, 'a gap remains when the lifter is pushed in: the chain is fine'),
  row('lifter-gap', 'weak-tensioner', 3.5, 'a gap remains: the lifter is suspect'),
  row('lifter-flush', 'stretched-chain', 6, 'the lifter goes home flush: the chain is long'),
  row('lifter-flush', 'worn-rail', 1.8, 'the lifter goes home flush: chain or rails'),
  row('plunger-slips-back', 'weak-tensioner', 6, 'its plunger slips back')
]

/** Usage at which half of such chains are past their limit, by unit; only for weighing suspects, it condemns nothing. */
export const TYPICAL_LIFE = { km: 220_000, mi: 137_000, h: 5000 } as const

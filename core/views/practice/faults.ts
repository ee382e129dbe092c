import { complain } from './says'
import type { Message } from '../../check'
import { drivenSprockets, gearedCams, phasersOn, touchingRails } from '../../drive'
import type { Roll } from '../../math'
import { compileSheet, limitFor, type Chain, type DriveSheet, type LimitKind } from '../../sheet'
import { besideAt } from './beside'
import type { DrawnTruth, Edition, Level } from './types'

/** A case while it is being drawn. */
export interface Draft {
  sheet: DriveSheet
  /** The chain that is struck. */
  chain: Chain
  truth: DrawnTruth
  /** What the customer says. */
  says: Message[]
  start: number
  roll: Roll
}

/** Something that can be wrong with an engine, or that leads astray whoever looks at it. */
export interface FaultSpec {
  /** Of one group only one is drawn. */
  group:
    | 'stretch'
    | 'timing'
    | 'rail'
    | 'tensioner'
    | 'phaser'
    | 'oil'
    | 'beside'
    | 'slack'
    | 'half-turn'
    | 'count'
    | 'hearsay'
    | 'engine'
  from: Level
  /** The edition that it came with; the first where it is left out. */
  since?: Edition
  /** Does it lead astray rather than break? */
  trap?: true
  fits(sheet: DriveSheet): boolean
  strike(draft: Draft): void
}

const always = () => true
const withPhasers = ({ phasers }: DriveSheet) => phasers.length > 0
/** Does the sheet hold a figure of a kind against a limit? */
const limited = (kind: LimitKind) => (sheet: DriveSheet) => sheet.limits.some((limit) => limit.kind === kind)

/** Phasers on a chain; those of the others where it has none. */
const phasersFor = ({ sheet, chain }: Draft) => {
  const own = phasersOn(sheet, chain)
  return own.length > 0 ? own : sheet.phasers
}
/** Cams that gears drive from another. */
const gearedIn = (sheet: DriveSheet) => sheet.chains.flatMap((chain) => gearedCams(sheet, chain).map(({ id }) => id))
const tensionerOf = ({ sheet, chain }: Draft) => compileSheet(sheet).tensionerOf(chain.id)?.id ?? ''
const see = ({ truth }: Draft, target: string, finding: string, count?: number) =>
  truth.findings.push({ target, finding, ...(count === undefined ? {} : { count }) })
const read = ({ truth }: Draft, target: string, finding: string, value: number, cylinder?: number) =>
  truth.findings.push({ target, finding, value: digits(value, 1), ...(cylinder === undefined ? {} : { cylinder }) })
const heard = (draft: Draft, finding: string) => see(draft, 'engine', finding)
const digits = (value: number, places: number) => Number(value.toFixed(places))

/** A rail of the chain worn past its limit by so many times. */
function wearRail(draft: Draft, low: number, high: number): string {
  const { sheet, chain, truth, roll } = draft
  const rail = roll.pick(touchingRails(sheet, chain))
  truth.wear[rail] = digits((limitFor(sheet, 'groove', rail)?.value ?? 1.2) * roll.between(low, high), 2)
  return rail
}

function jumpCam(draft: Draft, teeth: number): void {
  const { sheet, chain, truth, roll, says } = draft
  truth.teeth[roll.pick(drivenSprockets(sheet, chain))] = teeth
  see(draft, tensionerOf(draft), 'witness-mark')
  // Two teeth on an interference engine bend valves more often than not.
  if (Math.abs(teeth) > 1 && sheet.engine.interference) see(draft, 'engine', 'compression-low')
  heard(draft, teeth > 0 ? 'code-over-retarded' : 'code-over-advanced')
  says.push(complain('down-on-power'))
}

/** Everything a case is drawn from. */
export const FAULTS = {
  stretched: {
    group: 'stretch',
    from: 1,
    fits: always,
    strike: (draft) => {
      const { sheet, chain, truth, roll } = draft
      truth.elongation[chain.id] = digits(
        ((limitFor(sheet, 'elongation', chain.id)?.value ?? 0.5) / 100) * roll.between(1.25, 1.6),
        5
      )
      if (roll.chance(0.4)) see(draft, chain.driver, 'teeth-hooked')
      if (roll.chance(0.3)) see(draft, chain.id, 'paint-gone')
      heard(draft, 'noise-idle-only')
      heard(draft, 'code-correlation')
      draft.says.push(complain('rattles-at-idle'))
    }
  },
  'rail-worn': {
    group: 'rail',
    from: 1,
    fits: always,
    strike: (draft) => {
      wearRail(draft, 1.3, 1.7)
      heard(draft, 'noise-idle-only')
      draft.says.push(complain('since-oil-change'))
    }
  },
  'rail-cracked': {
    group: 'rail',
    from: 1,
    fits: always,
    strike: (draft) => {
      see(draft, draft.roll.pick(touchingRails(draft.sheet, draft.chain)), 'cracked')
      draft.says.push(complain('no-complaint'))
    }
  },
  'jumped-late': {
    group: 'timing',
    from: 1,
    fits: always,
    strike: (draft) => jumpCam(draft, draft.roll.chance(0.2) ? 2 : 1)
  },
  advanced: {
    group: 'timing',
    from: 2,
    fits: always,
    strike: (draft) => jumpCam(draft, -1)
  },
  'phaser-loose': {
    group: 'phaser',
    from: 2,
    fits: withPhasers,
    strike: (draft) => {
      const { truth, roll } = draft
      const phaser = roll.pick(phasersFor(draft))
      truth.play[phaser.id] = digits((phaser.playLimit?.value ?? 1.5) * roll.between(1.7, 2.6), 1)
      truth.shift[phaser.sprocket] = digits(truth.play[phaser.id]! / 2, 1)
      see(draft, phaser.id, 'snaps-back')
      see(draft, phaser.sprocket, roll.chance(0.3) ? 'pin-worn' : 'pin-sound')
      heard(draft, 'noise-always')
      draft.says.push(complain('hard-knock'))
    }
  },
  'lock-pin': {
    group: 'phaser',
    from: 1,
    fits: withPhasers,
    strike: (draft) => {
      const phaser = draft.roll.pick(phasersFor(draft))
      see(draft, phaser.id, 'lock-pin-sticky')
      heard(draft, 'noise-under-a-second')
      draft.says.push(complain('fears-for-the-chain'))
    }
  },
  'rail-broken': {
    group: 'rail',
    from: 2,
    fits: always,
    strike: (draft) => {
      const { sheet, chain, roll } = draft
      const rail = roll.pick(touchingRails(sheet, chain))
      const pieces = 2 + roll.below(3)
      see(draft, rail, 'broken')
      see(draft, rail, 'piece-missing', pieces)
      see(draft, 'engine', 'oil-plastic')
      see(draft, 'engine', 'pieces-found', pieces - roll.below(2))
      draft.says.push(complain('sudden-rattle'))
    }
  },
  'chain-on-metal': {
    group: 'rail',
    from: 3,
    fits: always,
    strike: (draft) => {
      const rail = wearRail(draft, 1.8, 2.2)
      see(draft, rail, 'metal-showing')
      see(draft, rail, 'chain-on-metal')
      see(draft, draft.chain.id, 'ran-on-metal')
      see(draft, 'engine', 'oil-glitter')
      heard(draft, 'noise-always')
      draft.says.push(complain('grinds'))
    }
  },
  'tensioner-spent': {
    group: 'tensioner',
    from: 1,
    fits: always,
    strike: (draft) => {
      see(draft, tensionerOf(draft), 'plunger-slips-back')
      heard(draft, 'noise-seconds')
      draft.says.push(complain('seconds-of-rattle'))
    }
  },
  'bad-new-part': {
    group: 'tensioner',
    from: 3,
    fits: always,
    strike: (draft) => {
      see(draft, tensionerOf(draft), draft.roll.pick(['plunger-stuck', 'spring-short']))
      heard(draft, 'renewed-tensioner')
      heard(draft, 'noise-seconds')
      draft.says.push(complain('new-tensioner'))
    }
  },
  'pad-worn': {
    group: 'tensioner',
    from: 2,
    fits: (sheet) => sheet.limits.some(({ kind }) => kind === 'padWear'),
    strike: (draft) => {
      const { sheet, truth, roll } = draft
      const tensioner = tensionerOf(draft)
      truth.pad[tensioner] = digits((limitFor(sheet, 'padWear', tensioner)?.value ?? 0.6) * roll.between(1.5, 2), 2)
      see(draft, tensioner, 'pad-dug-in')
      heard(draft, 'noise-warm-idle')
      draft.says.push(complain('sewing-machine'))
    }
  },
  'swapped-guides': {
    group: 'rail',
    from: 3,
    fits: ({ rails }) => rails.filter((rail) => rail.kind === 'guide' && rail.touches !== false).length > 1,
    strike: (draft) => {
      const { sheet, truth, says } = draft
      for (const { id } of sheet.rails.filter((rail) => rail.kind === 'guide' && rail.touches !== false).slice(0, 2))
        see(draft, id, 'swapped')
      truth.scatter.extension[tensionerOf(draft)] = 3.2
      heard(draft, 'renewed-rails')
      says.push(complain('rails-renewed-elsewhere'))
    }
  },
  'like-new': {
    group: 'timing',
    from: 3,
    fits: always,
    strike: (draft) => {
      const { sheet, chain, truth, roll, says } = draft
      const cam = roll.pick(drivenSprockets(sheet, chain))
      truth.elongation[chain.id] = 0.0002
      truth.shift[cam] = digits(roll.between(6, 8), 1)
      see(draft, cam, 'pin-worn')
      heard(draft, 'code-over-retarded')
      says.push(complain('card-says-stretched'))
    }
  },
  'screen-torn': {
    group: 'oil',
    from: 2,
    fits: withPhasers,
    strike: (draft) => {
      see(draft, 'oil', 'screen-torn')
      heard(draft, 'code-slow')
      draft.says.push(complain('warning-light'))
    }
  },
  'kick-back': {
    group: 'slack',
    from: 2,
    trap: true,
    fits: ({ chains }) => chains.some((chain) => chain.counts.length > 2),
    strike: ({ truth, says, roll }) => {
      truth.kickBack = digits(roll.between(4, 7), 1)
      says.push(complain('found-slack'))
    }
  },
  'half-turn': {
    group: 'half-turn',
    from: 2,
    trap: true,
    fits: always,
    strike: (draft) => {
      draft.start = 40 + 10 * draft.roll.below(28)
    }
  },
  'between-links': {
    group: 'count',
    from: 3,
    trap: true,
    fits: always,
    strike: ({ sheet, chain, truth, roll }) => {
      truth.betweenLinks.push(roll.pick(drivenSprockets(sheet, chain)))
    }
  },
  'gears-off': {
    group: 'timing',
    from: 2,
    fits: (sheet) => gearedIn(sheet).length > 0,
    strike: (draft) => {
      const teeth = draft.roll.pick([-1, 1])
      draft.truth.teeth[draft.roll.pick(gearedIn(draft.sheet))] = teeth
      heard(draft, teeth > 0 ? 'code-over-retarded' : 'code-over-advanced')
      draft.says.push(complain('since-the-cams-were-out'))
    }
  },
  'pads-swapped': {
    group: 'rail',
    from: 2,
    fits: ({ phasers }) => phasers.some(({ tensioner }) => tensioner !== undefined),
    strike: (draft) => {
      const { sheet } = draft
      const { tensioner } = sheet.phasers.find((phaser) => phaser.tensioner !== undefined)!
      const { chain } = compileSheet(sheet).tensioner(tensioner!)
      for (const rail of touchingRails(sheet, compileSheet(sheet).chain(chain))) see(draft, rail, 'swapped')
      draft.says.push(complain('since-the-cams-were-out'))
    }
  },
  hearsay: {
    group: 'hearsay',
    from: 2,
    trap: true,
    fits: always,
    strike: ({ chain, roll, says }) => {
      const { from, to, links } = roll.pick(chain.counts)
      says.push(complain('card-says-count', { links: links + roll.pick([-1, 1]), from, to }))
    }
  },
  'trigger-chewed': {
    group: 'beside',
    from: 2,
    since: 2,
    fits: always,
    strike: (draft) => {
      see(draft, besideAt(draft.sheet, 'trigger', draft.chain.driver), 'teeth-chewed')
      heard(draft, 'code-sensor')
      heard(draft, 'code-correlation')
      draft.says.push(complain('cuts-out'))
    }
  },
  'cover-eaten': {
    group: 'beside',
    from: 3,
    since: 2,
    fits: always,
    strike: (draft) => {
      see(draft, besideAt(draft.sheet, 'cover', draft.chain.driver), 'worn-through')
      see(draft, 'engine', 'oil-glitter')
      heard(draft, 'oil-low')
      draft.says.push(complain('drips-at-the-front'))
    }
  },
  'seat-worn': {
    group: 'timing',
    from: 3,
    since: 2,
    fits: always,
    strike: (draft) => {
      const { sheet, chain, truth, roll, says } = draft
      const cam = roll.pick(drivenSprockets(sheet, chain))
      truth.shift[cam] = digits(roll.between(5, 7), 1)
      see(draft, besideAt(sheet, 'camshaft', cam), 'seat-worn')
      see(draft, cam, 'pin-sound')
      heard(draft, 'code-over-retarded')
      says.push(complain('card-says-stretched'))
    }
  },
  'lifter-locked': {
    group: 'tensioner',
    from: 1,
    since: 2,
    fits: always,
    strike: (draft) => {
      see(draft, tensionerOf(draft), 'lifter-locked')
      heard(draft, 'noise-idle-only')
      draft.says.push(complain('sewing-machine'))
    }
  },
  'spring-tired': {
    group: 'tensioner',
    from: 2,
    since: 2,
    fits: limited('springLength'),
    strike: (draft) => {
      const tensioner = tensionerOf(draft)
      const least = limitFor(draft.sheet, 'springLength', tensioner)?.value ?? 0
      read(draft, tensioner, 'spring-length', least * draft.roll.between(0.86, 0.94))
      heard(draft, 'noise-seconds')
      draft.says.push(complain('seconds-of-rattle'))
    }
  },
  'head-sheared': {
    group: 'phaser',
    from: 3,
    since: 2,
    fits: withPhasers,
    strike: (draft) => {
      see(draft, draft.roll.pick(phasersFor(draft)).id, 'head-sheared-inside')
      heard(draft, 'noise-always')
      draft.says.push(complain('hard-knock'))
    }
  },
  'solenoid-open': {
    group: 'oil',
    from: 2,
    since: 2,
    fits: (sheet) => withPhasers(sheet) && limited('solenoidResistance')(sheet),
    strike: (draft) => {
      const most = limitFor(draft.sheet, 'solenoidResistance', 'oil')?.value ?? 0
      read(draft, 'oil', 'solenoid-ohms', most * draft.roll.between(1.6, 3))
      heard(draft, 'code-solenoid')
      draft.says.push(complain('warning-light'))
    }
  },
  'gasket-through': {
    group: 'engine',
    from: 3,
    since: 2,
    trap: true,
    fits: (sheet) => sheet.engine.cylinders > 1 && limited('compression')(sheet),
    strike: (draft) => {
      const least = limitFor(draft.sheet, 'compression', 'engine')?.value ?? 0
      const { cylinders } = draft.sheet.engine
      const first = 1 + draft.roll.below(cylinders / 2)
      for (let cylinder = 1; cylinder <= cylinders; cylinder++) {
        const low = cylinder === first || cylinder === first + 1
        const share = low ? draft.roll.between(0.35, 0.55) : draft.roll.between(1.06, 1.2)
        read(draft, 'engine', 'compression-figure', least * share, cylinder)
      }
      draft.says.push(complain('down-on-power'))
    }
  }
} as const satisfies Record<string, FaultSpec>

export type FaultId = keyof typeof FAULTS

/** What is known of a fault by its id; null for an id of a later version. */
export function faultOf(id: string): FaultSpec | null {
  return Object.hasOwn(FAULTS, id) ? FAULTS[id as FaultId] : null
}

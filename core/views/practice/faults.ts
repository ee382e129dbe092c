import { drivenSprockets, touchingRails } from '../../drive'
import type { Roll } from '../../math'
import { type Chain, type DriveSheet, limitFor } from '../../sheet'
import { partName } from '../../wording'
import type { HiddenTruth, Level } from './types'

/** A case while it is being drawn. */
export interface Draft {
  sheet: DriveSheet
  /** The chain that is struck. */
  chain: Chain
  truth: HiddenTruth
  /** What the customer says. */
  says: string[]
  start: number
  roll: Roll
}

/** Something that can be wrong with an engine, or that leads astray whoever looks at it. */
export interface FaultSpec {
  name: string
  /** Of one group only one is drawn. */
  group: 'stretch' | 'timing' | 'rail' | 'tensioner' | 'phaser' | 'oil' | 'slack' | 'half-turn' | 'count' | 'hearsay'
  from: Level
  /** Does it lead astray rather than break? */
  trap?: true
  /** What to take along. */
  lesson: string
  fits(sheet: DriveSheet): boolean
  strike(draft: Draft): void
}

const always = () => true
const withPhasers = ({ phasers }: DriveSheet) => phasers.length > 0

/** Phasers on a chain. */
const phasersOn = ({ sheet, chain }: Draft) => sheet.phasers.filter(({ sprocket }) => chain.path.includes(sprocket))
const tensionerOf = ({ sheet, chain }: Draft) => sheet.tensioners.find((t) => t.chain === chain.id)!.id
const see = ({ truth }: Draft, target: string, finding: string, count?: number) => truth.findings.push({ target, finding, ...(count === undefined ? {} : { count }) })
const heard = (draft: Draft, finding: string) => see(draft, 'engine', finding)
const digits = (value: number, places: number) => Number(value.toFixed(places))

/** A rail of the chain worn past its limit by so many times. */
function wearRail(draft: Draft, low: number, high: number): string {
  const { sheet, chain, truth, roll } = draft
  const rail = roll.pick(touchingRails(sheet, chain))
  truth.wear![rail] = digits((limitFor(sheet, 'groove', rail)?.value ?? 1.2) * roll.between(low, high), 2)
  return rail
}

function jumpCam(draft: Draft, teeth: number): void {
  const { sheet, chain, truth, roll, says } = draft
  truth.teeth![roll.pick(drivenSprockets(sheet, chain))] = teeth
  see(draft, tensionerOf(draft), 'witness-mark')
  // Two teeth on an interference engine bend valves more often than not.
  if (Math.abs(teeth) > 1 && sheet.engine.interference) see(draft, 'engine', 'compression-low')
  heard(draft, teeth > 0 ? 'code-over-retarded' : 'code-over-advanced')
  says.push('One hard rattle at a start, and down on power ever since.')
}

/** Everything a case is drawn from. */
export const FAULTS = {
  'stretched': {
    name: 'Chain stretched past its limit', group: 'stretch', from: 1, fits: always,
    lesson: 'Stretch shows everywhere at once: extension, every cam late, and the length on the bench. Where only one of them shows, it is not the chain.',
    strike: (draft) => {
      const { sheet, chain, truth, roll } = draft
      truth.elongation![chain.id] = digits(((limitFor(sheet, 'elongation', chain.id)?.value ?? 0.5) / 100) * roll.between(1.25, 1.6), 5)
      if (roll.chance(0.4)) see(draft, chain.driver, 'teeth-hooked')
      if (roll.chance(0.3)) see(draft, chain.id, 'paint-gone')
      heard(draft, 'noise-idle-only')
      heard(draft, 'code-correlation')
      draft.says.push('Rattles at idle, gone when revved.')
    }
  },
  'rail-worn': {
    name: 'Rail worn through its limit', group: 'rail', from: 1, fits: always,
    lesson: 'A tensioner far out is as often a rail\'s doing as the chain\'s: measure the groove before the chain is blamed.',
    strike: (draft) => {
      wearRail(draft, 1.3, 1.7)
      heard(draft, 'noise-idle-only')
      draft.says.push('Chain noise at idle since the last oil change.')
    }
  },
  'rail-cracked': {
    name: 'Rail cracked', group: 'rail', from: 1, fits: always,
    lesson: 'A crack has no figure: a rail within its groove limit can break tomorrow. Look at every face before it goes back in.',
    strike: (draft) => {
      see(draft, draft.roll.pick(touchingRails(draft.sheet, draft.chain)), 'cracked')
      draft.says.push('No complaint; looked at while the engine is out.')
    }
  },
  'jumped-late': {
    name: 'Cam jumped late', group: 'timing', from: 1, fits: always,
    lesson: 'Link counts are whole teeth and do not see stretch; degrees see both. A count off by one and degrees off by a tooth are a jump. After one, valves may have touched: compression or leak-down before the starter.',
    strike: (draft) => jumpCam(draft, draft.roll.chance(0.2) ? 2 : 1)
  },
  'advanced': {
    name: 'Cam found early: jumped or set wrong', group: 'timing', from: 2, fits: always,
    lesson: 'Wear can only make a cam late. One that stands early has jumped or was set wrong, and wear hides a part of it.',
    strike: (draft) => jumpCam(draft, -1)
  },
  'phaser-loose': {
    name: 'Phaser loose', group: 'phaser', from: 2, fits: withPhasers,
    lesson: 'A loose phaser lags when the engine is turned by hand and snaps over the lobe. Read its play at lock, and look at the locating pin behind it.',
    strike: (draft) => {
      const { truth, roll } = draft
      const phaser = roll.pick(phasersOn(draft))
      truth.play![phaser.id] = digits((phaser.playLimit?.value ?? 1.5) * roll.between(1.7, 2.6), 1)
      truth.shift![phaser.sprocket] = digits(truth.play![phaser.id]! / 2, 1)
      see(draft, phaser.id, 'snaps-back')
      see(draft, phaser.sprocket, roll.chance(0.3) ? 'pin-worn' : 'pin-sound')
      heard(draft, 'noise-always')
      draft.says.push('Hard knock all the time, at any speed.')
    }
  },
  'lock-pin': {
    name: 'Phaser lock pin sticky: noise, not danger', group: 'phaser', from: 1, fits: withPhasers,
    lesson: 'A rattle of under a second at a cold start is a lock pin: noise, not danger. It condemns no chain.',
    strike: (draft) => {
      const phaser = draft.roll.pick(phasersOn(draft))
      see(draft, phaser.id, 'lock-pin-sticky')
      heard(draft, 'noise-under-a-second')
      draft.says.push('Rattles for less than a second at a cold start. The customer fears for the chain.')
    }
  },
  'rail-broken': {
    name: 'Rail broken, pieces in the engine', group: 'rail', from: 2, fits: always,
    lesson: 'Every missing piece is found or accepted in writing before the engine is closed: pan, pickup and the sprockets are where they turn up.',
    strike: (draft) => {
      const { sheet, chain, roll } = draft
      const rail = roll.pick(touchingRails(sheet, chain))
      const pieces = 2 + roll.below(3)
      see(draft, rail, 'broken')
      see(draft, rail, 'piece-missing', pieces)
      see(draft, 'engine', 'oil-plastic')
      see(draft, 'engine', 'pieces-found', pieces - roll.below(2))
      draft.says.push('A sudden rattle, then quiet again.')
    }
  },
  'chain-on-metal': {
    name: 'Chain on metal', group: 'rail', from: 3, fits: always,
    lesson: 'A chain that ran on metal is renewed whatever it measures, and the engine is not run until it is.',
    strike: (draft) => {
      const rail = wearRail(draft, 1.8, 2.2)
      see(draft, rail, 'metal-showing')
      see(draft, rail, 'chain-on-metal')
      see(draft, draft.chain.id, 'ran-on-metal')
      see(draft, 'engine', 'oil-glitter')
      heard(draft, 'noise-always')
      draft.says.push('Grinds from the front, more every week.')
    }
  },
  'tensioner-spent': {
    name: 'Tensioner does not hold', group: 'tensioner', from: 1, fits: always,
    lesson: 'Seconds of noise at a start are a tensioner that bleeds down or slips back. Push it in by hand and see what it does.',
    strike: (draft) => {
      see(draft, tensionerOf(draft), 'plunger-slips-back')
      heard(draft, 'noise-seconds')
      draft.says.push('Rattles for some seconds after a night outside.')
    }
  },
  'bad-new-part': {
    name: 'A new tensioner that is bad', group: 'tensioner', from: 3, fits: always,
    lesson: 'New is not good: a part renewed last month is looked at like any other.',
    strike: (draft) => {
      see(draft, tensionerOf(draft), draft.roll.pick(['plunger-stuck', 'spring-short']))
      heard(draft, 'renewed-tensioner')
      heard(draft, 'noise-seconds')
      draft.says.push('The tensioner is new, fitted last month by another workshop, and the noise stayed.')
    }
  },
  'pad-worn': {
    name: 'Tensioner pad dug in', group: 'tensioner', from: 2, fits: (sheet) => sheet.limits.some(({ kind }) => kind === 'padWear'),
    lesson: 'What is left of an extension once chain and rails are measured has a cause too: look at the pad and what it presses on.',
    strike: (draft) => {
      const { sheet, truth, roll } = draft
      const tensioner = tensionerOf(draft)
      truth.pad![tensioner] = digits((limitFor(sheet, 'padWear', tensioner)?.value ?? 0.6) * roll.between(1.5, 2), 2)
      see(draft, tensioner, 'pad-dug-in')
      heard(draft, 'noise-warm-idle')
      draft.says.push('Ticks like a sewing machine after some minutes of warm idle.')
    }
  },
  'swapped-guides': {
    name: 'Guides swapped', group: 'rail', from: 3, fits: ({ rails }) => rails.filter((rail) => rail.kind === 'guide' && rail.touches !== false).length > 1,
    lesson: 'Look at part numbers and places: guides changed over read like wear that nothing explains.',
    strike: (draft) => {
      const { sheet, truth, says } = draft
      for (const { id } of sheet.rails.filter((rail) => rail.kind === 'guide' && rail.touches !== false).slice(0, 2)) see(draft, id, 'swapped')
      truth.scatter.extension[tensionerOf(draft)] = 3.2
      heard(draft, 'renewed-rails')
      says.push('Noisy since its rails were renewed elsewhere.')
    }
  },
  'like-new': {
    name: 'Locating pin worn, chain like new', group: 'timing', from: 3, fits: always,
    lesson: 'A chain that measures like new has not stretched, whatever the timing says: look at phaser, locating pin and key.',
    strike: (draft) => {
      const { sheet, chain, truth, roll, says } = draft
      const cam = roll.pick(drivenSprockets(sheet, chain))
      truth.elongation![chain.id] = 0.0002
      truth.shift![cam] = digits(roll.between(6, 8), 1)
      see(draft, cam, 'pin-worn')
      heard(draft, 'code-over-retarded')
      says.push('Another workshop read the timing and wrote "chain stretched" on its card.')
    }
  },
  'screen-torn': {
    name: 'Oil screen torn', group: 'oil', from: 2, fits: withPhasers,
    lesson: 'A phaser that answers slowly may only be starved: screen, solenoid and O-rings cost minutes to look at.',
    strike: (draft) => {
      see(draft, 'oil', 'screen-torn')
      heard(draft, 'code-slow')
      draft.says.push('Warning light for a cam that is slow to respond.')
    }
  },
  'kick-back': {
    name: 'Slack that was only kick-back', group: 'slack', from: 2, trap: true, fits: ({ chains }) => chains.some((chain) => chain.counts.length > 2),
    lesson: 'Slack between two cams of a stopped engine is kick-back until it is turned forward: turn in the running direction, then read.',
    strike: ({ truth, says, roll }) => {
      truth.kickBack = digits(roll.between(4, 7), 1)
      says.push('Somebody has looked under the cover and found slack between the cams.')
    }
  },
  'half-turn': {
    name: 'Cam marks half a turn away', group: 'half-turn', from: 2, trap: true, fits: always,
    lesson: 'Two crank turns are one cam turn: with the crank at its mark and the cam marks half a turn away, it wants one more crank turn, nothing else.',
    strike: (draft) => {
      draft.start = 40 + 10 * draft.roll.below(28)
    }
  },
  'between-links': {
    name: 'A mark between two links', group: 'count', from: 3, trap: true, fits: always,
    lesson: 'A mark between two links is read as a half. Rounded, it makes a jump that never was; the runs round the loop must come to the chain\'s links.',
    strike: ({ sheet, chain, truth, roll }) => {
      truth.betweenLinks.push(roll.pick(drivenSprockets(sheet, chain)))
    }
  },
  'hearsay': {
    name: 'A wrong count on the card', group: 'hearsay', from: 2, trap: true, fits: always,
    lesson: 'A count somebody else wrote down is hearsay: count again, all the way round.',
    strike: ({ sheet, chain, roll, says }) => {
      const { from, to, links } = roll.pick(chain.counts)
      says.push(`The last workshop counted ${links + roll.pick([-1, 1])} links from ${partName(sheet, from).toLowerCase()} to ${partName(sheet, to).toLowerCase()} and wrote "jumped" on its card.`)
    }
  }
} as const satisfies Record<string, FaultSpec>

export type FaultId = keyof typeof FAULTS

/** What is known of a fault by its id; null for an id of a later version. */
export function faultOf(id: string): FaultSpec | null {
  return (FAULTS as Record<string, FaultSpec>)[id] ?? null
}

import { tuple } from 'yup'
import {
  byIds,
  flag,
  formatVersion,
  id,
  listOf,
  needed,
  num,
  oneOf,
  pair,
  sayOfCheck,
  shape,
  text,
  whole
} from '../check'
import { CLOCK, isClock } from './clock'
import { LIMIT_KINDS } from './limitKinds'
import { BESIDE_KINDS } from './partKinds'
import { say } from './says'

/**
 * The drive sheet: the description of one engine's timing drive. Types (types.ts), checks and JSON Schema come from
 * here. Plane seen from the front (chain end), x to the right, y up, mm. Angles in degrees, anticlockwise positive from
 * +x.
 */

/** A limit with its unit and the source that every call shows. */
const limitValue = {
  value: num(0, 10_000).required(needed),
  unit: text(40).required(needed),
  source: text(200).required(needed)
}

/** What every part has, and may have: a note. */
const named = { id: id().required(needed), name: text(120).required(needed), note: text(2000) }

const sprocket = shape({
  ...named,
  teeth: whole(6, 400).required(needed),
  /** Absent on a counted sheet. */
  centre: pair(),
  bank: whole(0, 16),
  shaft: id(),
  /** `back`: driven by the chain's outer face. */
  side: oneOf('back'),
  /** Crank degrees that an offset key or dowel, where this engine may have one, turns the sprocket on its shaft. */
  offsetKey: num(-30, 30),
  /** Which valves its cam opens. */
  valves: oneOf('intake', 'exhaust'),
  /** What it turns where that is no camshaft: its teeth and its jump are no valve's. */
  turns: oneOf('balance-shaft', 'oil-pump', 'other-pump'),
  /** mm from its axis to the tips of its teeth. */
  tipRadius: num(1, 1000)
})

const rail = shape({
  ...named,
  kind: oneOf('guide', 'arm', 'bridge').required(needed),
  side: oneOf('outside', 'inside'),
  /** Circle of the chain's pitch line on a new shoe; wear w makes it radius − w. */
  shoe: shape({ centre: pair().required(needed), radius: num(1, 10_000).required(needed) }),
  /** An arm's shoe turns about this point by the arm angle. */
  pivot: pair(),
  /** An arm that slides straight: its pivot is far off, stands for no part, and is not drawn. */
  slides: flag(),
  /** `false`: stands clear of a tight chain and has no part in the model. */
  touches: flag()
})

const tensioner = shape({
  ...named,
  chain: id().required(needed),
  arm: id().required(needed),
  /** Arm angles that can be reached, degrees, 0 = as new. */
  armRange: pair(),
  /** Direction in which the plunger moves, degrees from +x. */
  axis: num(-360, 360),
  /** Plunger tip when fully retracted. */
  seat: pair(),
  /** Contact face of the arm at angle 0: a point on it and the direction of the face, degrees. */
  pad: shape({ point: pair().required(needed), face: num(-360, 720).required(needed) }),
  /** mm from fully retracted to fully out. */
  stroke: num(0.1, 500).required(needed),
  /** mm that it stands out when it is removed and let go; the stroke where it is not said. */
  freeExtension: num(0.1, 500),
  type: text(60).required(needed),
  /** Extension at which the first notch shows, and mm from notch to notch. */
  ratchet: shape({ first: num(0, 500).required(needed), pitch: num(0.05, 100).required(needed) }),
  limit: shape(limitValue),
  /** Counted sheet: extension of the new drive, mm. */
  newExtension: num(0, 500),
  /** Counted sheet: mm of extension per mm of slack. */
  gain: num(0.01, 100),
  /** Counted sheet: a second known point instead of `gain`; elongation as a fraction, extension in mm. */
  gainFrom: shape({ elongation: num(1e-5, 0.05).required(needed), extension: num(0, 500).required(needed) }),
  /**
   * Counted sheet: a third known point, of less elongation than `gainFrom`: the curve between them is of second order.
   */
  gainVia: shape({ elongation: num(1e-5, 0.05).required(needed), extension: num(0, 500).required(needed) }),
  /** Counted sheet: mm of extension per mm of wear, by rail. */
  railGain: byIds(num(0, 100).required(needed), sayOfCheck('numbers-by-id', { min: 0, max: 100 }))
})

const chain = shape({
  ...named,
  /** mm. */
  pitch: num(1, 100).required(needed),
  links: whole(8, 2000).required(needed),
  type: text(60).required(needed),
  strands: whole(1, 12),
  /** How it can be renewed behind its cover: `roll-in`, drawn in by the old one. */
  replaceable: text(40),
  /** Who says that paint burnt off its coloured links condemns it; with other makers it does not. */
  paintCondemns: text(200),
  driver: id().required(needed),
  /** Sprockets and rails in the order the chain meets them, starting at the driver. */
  path: listOf(id().required(needed), 40).required(needed).min(2, say('path-too-short')),
  /** Whole links from mark to mark in the direction of travel, at the setting point. */
  counts: listOf(
    shape({ from: id().required(needed), to: id().required(needed), links: whole(0, 2000).required(needed) }).required(
      needed
    ),
    40
  ).required(needed),
  /** Counted sheet: links not on sprockets, all round and on the tight side between a cam and the driver. */
  counted: shape({
    freeLinks: num(1, 2000).required(needed),
    tight: byIds(num(0, 2000).required(needed), sayOfCheck('numbers-by-id', { min: 0, max: 2000 })).required(needed)
  })
})

const phaser = shape({
  ...named,
  sprocket: id().required(needed),
  rest: oneOf('retarded', 'advanced').required(needed),
  /** crank degrees. */
  range: num(0, 360).required(needed),
  /** The plunger between two strands that shifts it, in place of a phaser of its own. */
  tensioner: id(),
  playLimit: shape(limitValue)
})

const mark = shape({
  sprocket: id().required(needed),
  note: text(2000),
  /** Clock position at the setting point, 12:00 up. */
  at: text(8)
    .required(needed)
    .test('clock', say('clock'), (v) => !v || isClock(v))
    .meta({ jsonSchema: { pattern: CLOCK.source } })
})

const limit = shape({
  kind: oneOf(...(Object.keys(LIMIT_KINDS) as (keyof typeof LIMIT_KINDS)[])).required(needed),
  ...limitValue,
  /** The lower end of a limit that goes both ways. */
  least: num(0, 10_000),
  /** A limit that moves: so much more for every so much usage, up to `most`. */
  per: shape({
    value: num(-100, 100).required(needed),
    usage: num(1, 1e7).required(needed),
    unit: oneOf('km', 'mi', 'h').required(needed),
    most: num(0, 10_000)
  }),
  chain: id(),
  rail: id(),
  tensioner: id(),
  sprocket: id(),
  phaser: id(),
  note: text(2000)
})

const ids = (max: number) => listOf(id().required(needed), max)
const price = () => num(0, 1e6).required(needed)

/**
 * Two gears in mesh: the driven shaft turns the other way, teeth[0]/teeth[1] times as fast; `driver` is a sprocket on
 * the shaft that drives, or `crank`.
 */
const gear = shape({
  ...named,
  driver: id().required(needed),
  driven: id().required(needed),
  teeth: tuple([whole(6, 400).required(needed), whole(6, 400).required(needed)])
    .typeError(say('two-teeth'))
    .required(needed)
})

const operation = shape({
  ...named,
  /** Of its own, without what it requires. */
  hours: num(0, 200).required(needed),
  requires: ids(40).required(needed),
  /** Ids of always-renewed items that it uses up. */
  brings: ids(40),
  /** Tools that make or break it. */
  tools: listOf(text(120).required(needed), 40)
})

/** By what it is ordered, of whom, and where it lies or how long it takes, in the workshop's words. */
const ordered = { number: text(60), supplier: text(80), stock: text(60) }

/** A part that can be bought, for one component of the drive. */
const sparePart = shape({
  ...named,
  /** Id of the chain, rail, tensioner, sprocket or phaser it takes the place of. */
  fits: id().required(needed),
  price: price(),
  /** To change it once it is reached. */
  hours: num(0, 200).required(needed),
  /** Operations that reach it. */
  needs: ids(40).required(needed),
  /** Ids of always-renewed items that come with it. */
  brings: ids(40),
  ...ordered
})

/** What never goes back in once it was loosened. */
const renewedItem = shape({
  ...named,
  kind: oneOf('seal', 'gasket', 'washer', 'o-ring', 'stretch-bolt', 'cover', 'fluid', 'filter', 'other').required(
    needed
  ),
  price: price(),
  quantity: num(0, 1000),
  ...ordered
})

/** Another way to reach some parts: operations that take the place of what those parts need. */
const wayIn = shape({ ...named, needs: byIds(ids(40).required(needed), say('lists-of-ids')).required(needed) })

/** What holds a drive for a while and is no repair. */
const stopGap = shape({
  ...named,
  tensioner: id().required(needed),
  price: price(),
  hours: num(0, 200).required(needed),
  needs: ids(40).required(needed),
  /** Usage, in the unit of the engine, after which it is looked at again at the latest, and months. */
  holds: num(0, 1e6).required(needed),
  months: whole(1, 120)
})

/** One step of tightening: a torque or an angle. */
const step = shape({ newtonMetres: num(0.1, 2000), degrees: num(1, 720) })
  .required(needed)
  .test(
    'one',
    say('one-step'),
    (value) => !value || (value.newtonMetres === undefined) !== (value.degrees === undefined)
  )

/** How a bolt is tightened: steps one after another. */
const torque = shape({
  id: id().required(needed),
  bolt: text(200).required(needed),
  operation: id(),
  count: whole(1, 200),
  /** Renewed each time, as tightening has stretched it. */
  stretch: flag(),
  leftHand: flag(),
  note: text(400),
  steps: listOf(step, 12).required(needed).min(1, say('no-step'))
})

/** What the work costs and needs, beside the drive itself. */
const workshop = {
  /** Parts' older designs, known to be worse; `onSight`: renewed as soon as it is seen. */
  superseded: listOf(
    shape({
      part: id().required(needed),
      design: text(200).required(needed),
      onSight: flag().required(needed),
      source: text(200).required(needed),
      /** What it is known by without its number. */
      sign: text(300),
      /** Its part numbers. */
      numbers: listOf(text(60).required(needed), 40)
    }).required(needed),
    64
  ),
  /** What prices and rates are in; made up unless a shop says otherwise. */
  money: shape({ currency: text(12).required(needed), hourRate: num(0, 10_000).required(needed) }),
  operations: listOf(operation.required(needed), 100),
  parts: listOf(sparePart.required(needed), 64),
  alwaysRenewed: listOf(renewedItem.required(needed), 100),
  waysIn: listOf(wayIn.required(needed), 8),
  stopGaps: listOf(stopGap.required(needed), 16),
  torques: listOf(torque.required(needed), 100),
  /** `at`: id of the operation or part it belongs to; absent for the whole drive. */
  cautions: listOf(shape({ at: id(), text: text(1000).required(needed) }).required(needed), 100)
}

/** crank degrees of a cycle, from one end of a high stretch to the other: one may run past the cycle's end. */
const stretch = listOf(num(-720, 1440).required(needed), 2).length(2, sayOfCheck('two-numbers'))

/**
 * Trigger wheels of crank and cams, crank degrees from the setting point in the running direction, of a new drive.
 * `first`: leading edge of the first tooth after the gap; `gaps`: numbers from 1 of the teeth that are missing, where
 * they are not the last; of each cam the stretches at which its signal is high.
 */
export const triggersSchema = shape({
  crank: shape({
    teeth: whole(2, 400).required(needed),
    missing: whole(0, 60).required(needed),
    first: num(0, 360).required(needed),
    sensor: oneOf('hall', 'inductive'),
    edge: oneOf('rising', 'falling'),
    gaps: listOf(whole(1, 400).required(needed), 60)
  }).required(needed),
  cams: byIds(
    listOf(stretch.required(needed), 40).min(1, needed).required(needed),
    sayOfCheck('values-by-id')
  ).required(needed)
}).default(undefined)

/** The structure of a drive sheet; what its parts mean to each other is checked by sheetFaults. */
export const driveSchema = shape({
  format: oneOf('umbrette-drive').required(needed),
  version: formatVersion(1),
  id: id().required(needed),
  name: text(120).required(needed),
  note: text(2000),
  /** The crank's direction of turning, seen from the front. */
  rotation: oneOf('clockwise', 'anticlockwise').required(needed),
  engine: shape({
    cylinders: whole(1, 64).required(needed),
    layout: text(40).required(needed),
    angle: num(0, 360),
    rotation: oneOf('clockwise', 'anticlockwise'),
    interference: flag().required(needed),
    fuel: text(40).required(needed)
  }).required(needed),
  sprockets: listOf(sprocket.required(needed), 64).required(needed).min(2, say('too-few-sprockets')),
  rails: listOf(rail.required(needed), 64).required(needed),
  tensioners: listOf(tensioner.required(needed), 16).required(needed),
  chains: listOf(chain.required(needed), 16).required(needed).min(1, say('no-chain-at-all')),
  phasers: listOf(phaser.required(needed), 64).required(needed),
  marks: listOf(mark.required(needed), 64).required(needed),
  limits: listOf(limit.required(needed), 200).required(needed),
  gears: listOf(gear.required(needed), 16),
  /** What stands beside the chain and is looked at with it. */
  beside: listOf(
    shape({
      ...named,
      kind: oneOf(...BESIDE_KINDS).required(needed),
      /** The sprocket whose shaft it is, or that it lies at. */
      sprocket: id(),
      bank: whole(0, 16)
    }).required(needed),
    32
  ),
  /** Trigger wheels, for traces of crank and cams. */
  triggers: triggersSchema,
  ...workshop
}).required(say('a-drive-sheet'))

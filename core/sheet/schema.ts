import { string, tuple } from 'yup'
import { byIds, flag, formatVersion, id, listOf, needed, num, oneOf, pair, shape, text, whole } from '../check/rules'
import { CLOCK, isClock } from './clock'

const limitValue = {
  value: num(0, 10_000).required(needed),
  unit: text(40).required(needed),
  source: text(200).required(needed)
}

const sprocket = shape({
  id: id().required(needed), name: text(120).required(needed),
  teeth: whole(6, 400).required(needed),
  centre: pair(), bank: whole(0, 16), shaft: id(), side: oneOf('back')
})

const rail = shape({
  id: id().required(needed), name: text(120).required(needed),
  kind: oneOf('guide', 'arm', 'bridge').required(needed),
  side: oneOf('outside', 'inside'),
  shoe: shape({ centre: pair().required(needed), radius: num(1, 10_000).required(needed) }),
  pivot: pair(), touches: flag()
})

const tensioner = shape({
  id: id().required(needed), name: text(120).required(needed),
  chain: id().required(needed), arm: id().required(needed),
  armRange: pair(), axis: num(-360, 360), seat: pair(),
  pad: shape({ point: pair().required(needed), face: num(-360, 720).required(needed) }),
  stroke: num(0.1, 500).required(needed), type: text(60).required(needed),
  ratchet: shape({ first: num(0, 500).required(needed), pitch: num(0.05, 100).required(needed) }),
  limit: shape(limitValue),
  newExtension: num(0, 500), gain: num(0.01, 100),
  gainFrom: shape({ elongation: num(1e-5, 0.05).required(needed), extension: num(0, 500).required(needed) }),
  railGain: byIds(num(0, 100).required(needed), 'expected numbers from 0 to 100')
})

const chain = shape({
  id: id().required(needed), name: text(120).required(needed),
  pitch: num(1, 100).required(needed), links: whole(8, 2000).required(needed), type: text(60).required(needed),
  strands: whole(1, 12), driver: id().required(needed),
  path: listOf(id().required(needed), 40).required(needed),
  counts: listOf(shape({ from: id().required(needed), to: id().required(needed), links: whole(0, 2000).required(needed) }).required(needed), 40).required(needed),
  counted: shape({ freeLinks: num(0, 2000).required(needed), tight: byIds(num(0, 2000).required(needed), 'expected numbers from 0 to 2000').required(needed) })
})

const phaser = shape({
  id: id().required(needed), name: text(120).required(needed), sprocket: id().required(needed),
  rest: oneOf('retarded', 'advanced').required(needed), range: num(0, 360).required(needed), playLimit: shape(limitValue)
})

const mark = shape({
  sprocket: id().required(needed),
  at: string().typeError('expected text').required(needed).test('clock', 'expected a clock position such as 6:00', (v) => !v || isClock(v)).meta({ jsonSchema: { pattern: CLOCK.source } })
})

const limit = shape({
  kind: oneOf('elongation', 'camLag', 'groove', 'padWear').required(needed), ...limitValue,
  chain: id(), rail: id(), tensioner: id(), sprocket: id()
})

const ids = (max: number) => listOf(id().required(needed), max)
const name = () => text(120).required(needed)
const price = () => num(0, 1e6).required(needed)

const gear = shape({ id: id().required(needed), name: name(), driver: id().required(needed), driven: id().required(needed), teeth: tuple([whole(6, 400).required(needed), whole(6, 400).required(needed)]).typeError('expected two numbers of teeth').required(needed) })

/** What the work costs and needs, beside the drive itself. */
const workshop = {
  superseded: listOf(shape({ part: id().required(needed), design: text(200).required(needed), onSight: flag().required(needed), source: text(200).required(needed) }).required(needed), 64),
  money: shape({ currency: text(12).required(needed), hourRate: num(0, 10_000).required(needed) }),
  operations: listOf(shape({ id: id().required(needed), name: name(), hours: num(0, 200).required(needed), requires: ids(40).required(needed), brings: ids(40), tools: listOf(text(120).required(needed), 40) }).required(needed), 100),
  parts: listOf(shape({ id: id().required(needed), name: name(), fits: id().required(needed), price: price(), hours: num(0, 200).required(needed), needs: ids(40).required(needed), brings: ids(40) }).required(needed), 64),
  alwaysRenewed: listOf(shape({ id: id().required(needed), name: name(), kind: oneOf('seal', 'gasket', 'washer', 'o-ring', 'stretch-bolt', 'cover', 'fluid', 'filter', 'other').required(needed), price: price(), quantity: num(0, 1000) }).required(needed), 100),
  waysIn: listOf(shape({ id: id().required(needed), name: name(), note: text(2000), needs: byIds(ids(40).required(needed), 'expected lists of ids').required(needed) }).required(needed), 8),
  torques: listOf(shape({
    id: id().required(needed), bolt: text(200).required(needed), operation: id(), count: whole(1, 200), stretch: flag(), leftHand: flag(), note: text(400),
    steps: listOf(shape({ newtonMetres: num(0.1, 2000), degrees: num(1, 720) }).required(needed).test('one', 'expected newtonMetres or degrees, one of them', (step) => !step || (step.newtonMetres === undefined) !== (step.degrees === undefined)), 12).required(needed).min(1, 'expected at least one step')
  }).required(needed), 100),
  cautions: listOf(shape({ at: id(), text: text(1000).required(needed) }).required(needed), 100)
}

/** The structure of a drive sheet; what its parts mean to each other is checked by sheetFaults. */
export const driveSchema = shape({
  format: oneOf('umbrette-drive').required(needed),
  version: formatVersion(1),
  id: id().required(needed), name: text(120).required(needed), note: text(2000),
  rotation: oneOf('clockwise', 'anticlockwise').required(needed),
  engine: shape({ cylinders: whole(1, 64).required(needed), layout: text(40).required(needed), interference: flag().required(needed), fuel: text(40).required(needed) }).required(needed),
  sprockets: listOf(sprocket.required(needed), 64).required(needed).min(2, 'expected at least two sprockets'),
  rails: listOf(rail.required(needed), 64).required(needed),
  tensioners: listOf(tensioner.required(needed), 16).required(needed),
  chains: listOf(chain.required(needed), 16).required(needed).min(1, 'expected at least one chain'),
  phasers: listOf(phaser.required(needed), 64).required(needed),
  marks: listOf(mark.required(needed), 64).required(needed),
  limits: listOf(limit.required(needed), 200).required(needed),
  gears: listOf(gear.required(needed), 16),
  ...workshop
}).required('expected a drive sheet')

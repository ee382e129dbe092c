import { say } from './says'
import type { Observation, Quantity } from './observation'
import type { Message } from '../check'
import { ELONGATION_MAX, JUMP_MAX, JUMPS } from '../math'
import { asNew, type Corrections } from '../drive'
import {
  brokenLoops,
  impossibleReading,
  notchesToExtension,
  partField,
  partOf,
  placeSigma,
  readingSigma,
  sheetCount,
  type KnownReading,
  type Reading
} from '../readings'
import { compileSheet, limitFor, type Chain, type DriveSheet } from '../sheet'
import type { Part, Train } from './trainProblem'
import type { ReadingFault } from './types'

/** Id of the chain that a reading bears on, null for one outside the model (a phaser's play). */
export function chainOf(sheet: DriveSheet, reading: Reading): string | null {
  const parts = compileSheet(sheet)
  const part = partOf(reading)
  switch (partField(reading.kind)) {
    case 'chain':
      return part
    case 'tensioner':
      return parts.tensioners.get(part)?.chain ?? null
    case 'rail':
    case 'sprocket':
      return parts.chainAt(part)?.id ?? null
    default:
      return null
  }
}

/**
 * The readings of a train made ready, and those left out: impossible ones, counts that do not sum, lags that nothing
 * gives.
 */
export function observationsOf(
  sheet: DriveSheet,
  train: Train,
  readings: readonly KnownReading[],
  corrections: Corrections
): { observations: Observation[]; faults: ReadingFault[] } {
  const faults: ReadingFault[] = []
  const possible = readings.filter((reading) => {
    const why = train.parts.some(({ chain }) => chain.id === chainOf(sheet, reading))
      ? impossibleReading(sheet, reading)
      : null
    if (why) faults.push({ id: reading.id, ...why })
    return !why
  })
  for (const { chain } of train.parts) faults.push(...countFaults(chain, possible))
  const left = new Set(faults.map(({ id }) => id))
  const usable = possible.filter(({ id }) => !left.has(id))
  const play = playBySprocket(sheet, readings)
  const given = lagBounds(sheet, train)
  const observations = train.parts
    .flatMap(({ chain }, part) => {
      const view = { sheet, train, corrections, play, readings: usable, part, chain }
      return usable.flatMap((reading) => observationOf(view, reading) ?? [])
    })
    .filter((observation) => {
      const why = given(observation)
      if (why) faults.push({ id: observation.reading.id, ...why })
      return !why
    })
  // Those of one chain stand in the order of the readings as they are.
  return { observations: train.parts.length > 1 ? inOrder(readings, observations) : observations, faults }
}

function inOrder(readings: readonly KnownReading[], observations: Observation[]): Observation[] {
  const places = new Map(readings.map(({ id }, place) => [id, place]))
  const placeOf = ({ reading }: Observation) => places.get(reading.id) ?? 0
  return observations.sort((a, b) => placeOf(a) - placeOf(b))
}

/** Counts of one chain that close a loop and do not sum to its links, each named once. */
function countFaults(chain: Chain, possible: readonly KnownReading[]): ReadingFault[] {
  const counts = possible.flatMap((reading) =>
    reading.kind === 'linkCount' && reading.chain === chain.id ? [reading] : []
  )
  const named = new Map<string, number>()
  for (const { ids, sum } of brokenLoops(chain, counts)) {
    for (const id of ids) if (!named.has(id)) named.set(id, sum)
  }
  return [...named].map(([id, sum]) => ({ id, ...say('counts-do-not-close', { sum, links: chain.links }) }))
}

/** Greatest play read in the phaser of each sprocket. */
function playBySprocket(sheet: DriveSheet, readings: readonly Reading[]): Map<string, number> {
  const play = new Map<string, number>()
  for (const reading of readings) {
    if (reading.kind !== 'phaserPlay' || impossibleReading(sheet, reading)) continue
    const { sprocket } = compileSheet(sheet).phaser(reading.phaser)
    play.set(sprocket, Math.max(play.get(sprocket) ?? 0, reading.value))
  }
  return play
}

/** What observations of one chain of a train are made from. */
interface View {
  part: number
  chain: Chain
  sheet: DriveSheet
  train: Train
  corrections: Corrections
  /** Play found in the phaser on each sprocket, crank degrees. */
  play: ReadonlyMap<string, number>
  /** The readings that are used. */
  readings: readonly Reading[]
}

/** A reading as an observation of one chain of the train; null when it tells nothing of that chain. */
function observationOf(view: View, reading: KnownReading): Observation | null {
  const { sheet, train, part, chain, play, readings } = view
  if (chainOf(sheet, reading) !== chain.id) return null
  const see = SIGHTS[reading.kind] as Sight<Reading['kind']>
  const seen = see(view, reading)
  if (!seen) return null
  const own = readingSigma(sheet, reading, play.get(reading.sprocket ?? '')) ?? NaN
  const sigma = Math.hypot(own, placeSigma(sheet, chain, reading, readings))
  const { value, quantity, teeth = train.cams.map(() => 0) } = seen
  return { reading, kind: reading.kind, part, value, whole: sigma, sigma, hand: null, quantity, teeth }
}

/** What a reading sees: a figure, of which quantity, and how many of it each cam's tooth would be. */
interface Seen {
  value: number
  quantity: Quantity
  teeth?: number[]
}

type Sight<K extends Reading['kind']> = (from: View, reading: Extract<Reading, { kind: K }>) => Seen | null

/** Nothing of the model. */
const outside = (): null => null

/** What a reading of each kind sees; a kind that is missing here does not compile. */
const SIGHTS: { readonly [K in Reading['kind']]: Sight<K> } = {
  extension({ sheet, part }, { tensioner, notches, value }) {
    const { ratchet } = compileSheet(sheet).tensioner(tensioner)
    const byNotches = ratchet && notches !== undefined ? notchesToExtension(ratchet, notches) : NaN
    return { value: value ?? byNotches, quantity: { of: 'extension', part } }
  },
  groove({ train, part }, reading) {
    const rail = train.parts[part]!.model.rails.indexOf(reading.rail)
    return rail < 0 ? null : { value: reading.value, quantity: { of: 'wear', part, rail } }
  },
  padWear: ({ part }, { value }) => ({ value, quantity: { of: 'padWear', part } }),
  camLag(from, { sprocket, value }) {
    const { cams } = from.train
    const cam = camAt(from, sprocket)
    const { inherits } = cams[cam]!
    const teeth = cams.map((c, i) => (i === cam || inherits.includes(i) ? c.degreesPerTooth : 0))
    return { value: value - (from.corrections.offsetKeys?.[sprocket] ?? 0), quantity: { of: 'lag', cam }, teeth }
  },
  linkCount(view, { from, to, value }) {
    const [start, end] = [camAt(view, from), camAt(view, to)]
    const teeth = view.train.cams.map((_, i) => (i === start ? 1 : 0) - (i === end ? 1 : 0))
    return { value, quantity: { of: 'count', base: sheetCount(view.chain, from, to) ?? NaN }, teeth }
  },
  chainLength({ part, chain }, { links, value }) {
    const asNewLength = links * chain.pitch
    return { value, quantity: { of: 'elongation', part, scale: asNewLength, shift: asNewLength } }
  },
  chainCompare: ({ part, chain }, { links, value }) => ({
    value,
    quantity: { of: 'elongation', part, scale: links * chain.pitch, shift: 0 }
  }),
  phaserPlay: outside,
  condition: outside
}

function camAt({ train, part }: View, id: string): number {
  return train.cams.findIndex((cam) => cam.part === part && cam.id === id)
}

/** crank degrees beyond what the model gives that the maker's tolerance and an unread rail may add. */
const LAG_MARGIN = 1.5
/** fraction: a chain this long, or three times its limit, is at the end of what a drive runs with. */
const LONGEST = 0.015

/** Tells why a lag can come from no wear and no jump of up to three teeth; null when it can. */
function lagBounds(sheet: DriveSheet, { parts, cams }: Train): (observation: Observation) => Message | null {
  const worn = parts.map((part) => mostWorn(sheet, part))
  const greatest = cams.map(({ part, place, inherits }) =>
    inherits.reduce((sum, above) => sum + worn[cams[above]!.part]![cams[above]!.place]!, worn[part]![place]!)
  )
  return ({ value, sigma, quantity, teeth }) => {
    if (quantity.of !== 'lag') return null
    const spread = 3 * sigma + LAG_MARGIN
    const jumps = teeth.reduce<number[]>(
      (sums, degrees) => (degrees === 0 ? sums : sums.flatMap((sum) => JUMPS.map((j) => sum + j * degrees))),
      [0]
    )
    if (jumps.some((jump) => value - jump >= -spread && value - jump <= greatest[quantity.cam]! + spread)) return null
    return say('lag-impossible', { lag: value, teeth: JUMP_MAX, wholeTurn: Math.abs(Math.abs(value) - 360) < 60 })
  }
}

/** Lags of a chain at the end of what a drive runs with. */
function mostWorn(sheet: DriveSheet, { chain, model }: Part): number[] {
  const limit = limitFor(sheet, 'elongation', chain.id)
  const longest = Math.min(Math.max(LONGEST, limit ? (3 * limit.value) / 100 : 0), ELONGATION_MAX)
  return model.readout({ ...asNew(model), elongation: longest }).lag
}

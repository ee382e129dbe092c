import { asNew, type Corrections } from '../drive'
import { ELONGATION_MAX, JUMPS } from '../math'
import {
  extensionRead,
  impossibleReading,
  type KnownReading,
  methodOf,
  partField,
  partOf,
  placeSigma,
  type Reading,
  readingSigma,
  sheetCount
} from '../readings'
import { compileSheet, limitFor, type Chain, type DriveSheet } from '../sheet'
import { isAlone } from './alone'
import type { Observation, Quantity } from './observation'
import { type Priors, wrongOdds } from './priors'
import type { Cam, Part, Train } from './trainProblem'
import type { ReadingFault } from './types'
import { isPossibleAs, waysOf } from './ways'

/** In a reading's own unit: nobody reads finer, and what claims to would leave no digits for the rest of the sum. */
const FINEST = 1e-3

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
    case 'target':
      return parts.rails.has(part) ? (parts.chainAt(part)?.id ?? null) : null
    default:
      return null
  }
}

/**
 * The readings of a train made ready, and those left out: what cannot be true of the drive and can be none of the
 * usual slips either.
 */
export function observationsOf(
  sheet: DriveSheet,
  train: Train,
  readings: readonly KnownReading[],
  corrections: Corrections,
  priors: Priors
): { observations: Observation[]; faults: ReadingFault[] } {
  const faults: ReadingFault[] = []
  const play = playBySprocket(sheet, readings)
  const observations = train.parts.flatMap(({ chain }, part) => {
    const view = { sheet, train, corrections, play, readings, part, chain, priors }
    return readings.flatMap((reading) => {
      if (chainOf(sheet, reading) !== chain.id) return []
      const untrue = impossibleReading(sheet, reading)
      const seen = observationOf(view, reading)
      const slip = !untrue || (seen?.ways.some((way) => isPossibleAs(sheet, reading, way)) ?? false)
      if (untrue && !slip) faults.push({ id: reading.id, ...untrue })
      if (!seen || !slip) return []
      return [untrue ? { ...seen, wrong: SURELY } : seen]
    })
  })
  const possible = lagBounds(sheet, train)
  for (const one of observations) {
    if (!possible(one)) one.wrong = SURELY
    // Nothing could tell that it is wrong: what is usual does not overrule a figure.
    else if (one.wrong < SURELY && one.teeth.every((t) => t === 0) && isAlone(observations, one)) one.ways = []
  }
  // Those of one chain stand in the order of the readings as they are.
  return { observations: train.parts.length > 1 ? inOrder(readings, observations) : observations, faults }
}

/** Odds of being wrong of what cannot be true. */
const SURELY = 1 - 1e-9

function inOrder(readings: readonly KnownReading[], observations: Observation[]): Observation[] {
  const places = new Map(readings.map(({ id }, place) => [id, place]))
  const placeOf = ({ reading }: Observation) => places.get(reading?.id ?? '') ?? 0
  return observations.sort((a, b) => placeOf(a) - placeOf(b))
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
  readings: readonly Reading[]
  priors: Priors
}

/** A reading as an observation of one chain of the train; null when it tells nothing of that chain. */
function observationOf(view: View, reading: KnownReading): Observation | null {
  const { sheet, train, part, chain, play, readings, priors } = view
  const see = SIGHTS[reading.kind] as Sight<Reading['kind']>
  const seen = see(view, reading)
  if (!seen) return null
  const { value, quantity, teeth = train.cams.map(() => 0) } = seen
  const own = seen.sigma ?? readingSigma(sheet, reading, play.get(reading.sprocket ?? ''))
  if (own === null) return null
  const times = reading.sigma === undefined ? (priors.error?.(reading) ?? 1) : 1
  const sigma = Math.max(FINEST, Math.hypot(times * own, placeSigma(sheet, chain, reading, readings)))
  const perTooth = quantity.of === 'lag' ? train.cams[quantity.cam]!.degreesPerTooth : 0
  const ways = waysOf(sheet, reading, value, perTooth)
  const wrong =
    reading.kind === 'condition' ? 0 : wrongOdds(priors, reading.kind, methodOf(reading.kind, reading.method))
  return { reading, kind: reading.kind, part, value, whole: sigma, sigma, hand: null, quantity, wrong, ways, teeth }
}

/** What a reading sees: a figure, of which quantity, and how many of it each cam's tooth would be. */
interface Seen {
  value: number
  quantity: Quantity
  teeth?: number[]
  /** Where it is no method's. */
  sigma?: number
}

type Sight<K extends Reading['kind']> = (from: View, reading: Extract<Reading, { kind: K }>) => Seen | null

/** Nothing of the model. */
const outside = (): null => null

/** What a reading of each kind sees; a kind that is missing here does not compile. */
const SIGHTS: { readonly [K in Reading['kind']]: Sight<K> } = {
  extension: ({ sheet, part }, reading) => ({
    value: extensionRead(compileSheet(sheet).tensioner(reading.tensioner), reading),
    quantity: { of: 'extension', part }
  }),
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
  // Looked at and called sound: a coarse reading of its groove, somewhere below half its limit. A figure says more.
  condition({ sheet, train, part, readings }, { target, finding }) {
    const rail = train.parts[part]!.model.rails.indexOf(target)
    const measured = readings.some((other) => other.kind === 'groove' && other.rail === target)
    const limit = finding === 'sound' && rail >= 0 && !measured ? limitFor(sheet, 'groove', target) : null
    return limit && { value: limit.value / 4, sigma: SOUND_SIGMA, quantity: { of: 'wear', part, rail } }
  }
}

/** mm of groove that a look tells. */
const SOUND_SIGMA = 0.4

function camAt({ train, part }: View, id: string): number {
  return train.cams.findIndex((cam) => cam.part === part && cam.id === id)
}

/** crank degrees beyond what the model gives that the maker's tolerance and an unread rail may add. */
const LAG_MARGIN = 1.5
/** fraction: a chain this long, or three times its limit, is at the end of what a drive runs with. */
const LONGEST = 0.015

/** Can a lag come from any wear and a jump of up to three teeth? */
function lagBounds(sheet: DriveSheet, { parts, cams }: Train): (observation: Observation) => boolean {
  const worn = new Map<number, number[]>()
  const wornAt = (part: number) => worn.get(part) ?? worn.set(part, mostWorn(sheet, parts[part]!)).get(part)!
  const greatest = ({ part, place, inherits }: Cam): number =>
    inherits.reduce((sum, above) => sum + wornAt(cams[above]!.part)[cams[above]!.place]!, wornAt(part)[place]!)
  return ({ value, sigma, quantity, teeth }) => {
    if (quantity.of !== 'lag') return true
    const spread = 3 * sigma + LAG_MARGIN
    if (value >= -spread && value <= spread) return true
    const jumps = teeth.reduce<number[]>(
      (sums, degrees) => (degrees === 0 ? sums : sums.flatMap((sum) => JUMPS.map((j) => sum + j * degrees))),
      [0]
    )
    return jumps.some((jump) => value - jump >= -spread && value - jump <= greatest(cams[quantity.cam]!) + spread)
  }
}

/** Lags of a chain at the end of what a drive runs with. */
function mostWorn(sheet: DriveSheet, { chain, model }: Part): number[] {
  const limit = limitFor(sheet, 'elongation', chain.id)
  const longest = Math.min(Math.max(LONGEST, limit ? (3 * limit.value) / 100 : 0), ELONGATION_MAX)
  return model.readout({ ...asNew(model), elongation: longest }).lag
}

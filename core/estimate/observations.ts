import { ELONGATION_MAX, JUMP_MAX, JUMPS } from '../math'
import { asNew, type Corrections } from '../drive'
import { brokenLoops, impossibleReading, notchesToExtension, placeSigma, type Reading, readingSigma, sheetCount } from '../readings'
import { type Chain, type DriveSheet, limitFor } from '../sheet'
import type { Part, Train } from './problem'
import type { ReadingFault } from './types'

/** What a reading sees of a train's state. `shift + scale·ε` for a length; `base` links for a count; `cam` among the train's. */
export type Quantity =
  | { of: 'extension'; part: number }
  | { of: 'wear'; part: number; rail: number }
  | { of: 'padWear'; part: number }
  | { of: 'lag'; cam: number }
  | { of: 'elongation'; part: number; scale: number; shift: number }
  | { of: 'count'; base: number }

/** A reading made ready for the estimate of its train. */
export interface Observation {
  /** Place in the job's readings. */
  index: number
  /** Place of its chain in the train. */
  part: number
  value: number
  sigma: number
  quantity: Quantity
  /** What one tooth of jump on each driven sprocket of the train adds, in the reading's unit. */
  teeth: number[]
}

/** Id of the chain that a reading bears on, null for one outside the model (a phaser's play). */
export function chainOf(sheet: DriveSheet, reading: Reading): string | null {
  if (reading.chain !== undefined) return reading.chain
  if (reading.tensioner !== undefined) return sheet.tensioners.find((t) => t.id === reading.tensioner)?.chain ?? null
  const part = reading.rail ?? reading.sprocket
  return sheet.chains.find((chain) => part !== undefined && part !== chain.driver && chain.path.includes(part))?.id ?? null
}

/** The readings of a train made ready, and those left out: impossible ones, counts that do not sum, lags that nothing gives. */
export function observationsOf(sheet: DriveSheet, train: Train, readings: readonly Reading[], corrections: Corrections): { observations: Observation[]; faults: ReadingFault[] } {
  const faults: ReadingFault[] = []
  const possible = readings.map((reading, index) => ({ reading, index })).filter(({ reading, index }) => {
    const message = train.parts.some(({ chain }) => chain.id === chainOf(sheet, reading)) ? impossibleReading(sheet, reading) : null
    if (message) faults.push({ index, message })
    return !message
  })
  for (const { chain } of train.parts) faults.push(...countFaults(chain, possible))
  const usable = possible.filter(({ index }) => !faults.some((fault) => fault.index === index))
  const view = { sheet, train, corrections, play: playBySprocket(sheet, readings), readings: usable.map(({ reading }) => reading) }
  const given = lagBounds(sheet, train)
  const observations = train.parts.flatMap((_, part) =>
    usable.flatMap(({ reading, index }) => observationOf(view, part, reading, index) ?? [])
  ).filter((observation) => {
    const message = given(observation)
    if (message) faults.push({ index: observation.index, message })
    return !message
  })
  return { observations: observations.sort((a, b) => a.index - b.index), faults }
}

/** Counts of one chain that close a loop and do not sum to its links, each named once. */
function countFaults(chain: Chain, possible: readonly { reading: Reading; index: number }[]): ReadingFault[] {
  const counts = possible.filter(({ reading }) => reading.kind === 'linkCount' && reading.chain === chain.id)
  const named = new Map<number, string>()
  for (const { indices, sum } of brokenLoops(chain, counts)) {
    for (const index of indices) {
      if (!named.has(index)) named.set(index, `the counts come to ${sum} links round the loop, but the chain has ${chain.links}: count again (or it is another chain); no jump is inferred from them`)
    }
  }
  return [...named].map(([index, message]) => ({ index, message }))
}

/** Greatest play read in the phaser of each sprocket. */
function playBySprocket(sheet: DriveSheet, readings: readonly Reading[]): Map<string, number> {
  const play = new Map<string, number>()
  for (const reading of readings) {
    const phaser = reading.kind === 'phaserPlay' && !impossibleReading(sheet, reading) && sheet.phasers.find((p) => p.id === reading.phaser)
    if (phaser) play.set(phaser.sprocket, Math.max(play.get(phaser.sprocket) ?? 0, reading.value!))
  }
  return play
}

/** What observations are made from. */
interface View {
  sheet: DriveSheet
  train: Train
  corrections: Corrections
  /** Play found in the phaser on each sprocket, crank degrees. */
  play: ReadonlyMap<string, number>
  /** The readings that are used. */
  readings: readonly Reading[]
}

/** A reading as an observation of one chain of the train; null when it tells nothing of that chain. */
function observationOf({ sheet, train, corrections, play, readings }: View, part: number, reading: Reading, index: number): Observation | null {
  const { chain, model } = train.parts[part]!
  if (chainOf(sheet, reading) !== chain.id) return null
  const camOf = (id: string | undefined) => train.cams.findIndex((cam) => cam.part === part && cam.id === id)
  const made = (value: number, quantity: Quantity, teeth = train.cams.map(() => 0)): Observation =>
    ({ index, part, value, sigma: Math.hypot(readingSigma(sheet, reading, play.get(reading.sprocket ?? ''))!, placeSigma(sheet, chain, reading, readings)), quantity, teeth })
  switch (reading.kind) {
    case 'extension': {
      const ratchet = sheet.tensioners.find((t) => t.id === reading.tensioner)!.ratchet
      return made(reading.value ?? notchesToExtension(ratchet!, reading.notches!), { of: 'extension', part })
    }
    case 'groove': {
      const rail = model.rails.indexOf(reading.rail!)
      return rail < 0 ? null : made(reading.value!, { of: 'wear', part, rail })
    }
    case 'padWear': return made(reading.value!, { of: 'padWear', part })
    case 'camLag': {
      const cam = camOf(reading.sprocket)
      const { inherits } = train.cams[cam]!
      const offset = corrections.offsetKeys?.[reading.sprocket!] ?? 0
      return made(reading.value! - offset, { of: 'lag', cam }, train.cams.map((c, i) => (i === cam || inherits.includes(i) ? c.degreesPerTooth : 0)))
    }
    case 'linkCount': {
      const [from, to] = [camOf(reading.from), camOf(reading.to)]
      return made(reading.value!, { of: 'count', base: sheetCount(chain, reading.from!, reading.to!)! }, train.cams.map((_, i) => (i === from ? 1 : 0) - (i === to ? 1 : 0)))
    }
    case 'chainLength':
    case 'chainCompare': {
      const asNewLength = reading.links! * chain.pitch
      return made(reading.value!, { of: 'elongation', part, scale: asNewLength, shift: reading.kind === 'chainLength' ? asNewLength : 0 })
    }
    case 'phaserPlay':
    case 'condition': return null
  }
}

/** crank degrees beyond what the model gives that the maker's tolerance and an unread rail may add. */
const LAG_MARGIN = 1.5
/** fraction: a chain this long, or three times its limit, is at the end of what a drive runs with. */
const LONGEST = 0.015

/** Tells why a lag can come from no wear and no jump of up to three teeth; null when it can. */
function lagBounds(sheet: DriveSheet, { parts, cams }: Train): (observation: Observation) => string | null {
  const worn = parts.map((part) => mostWorn(sheet, part))
  const greatest = cams.map(({ part, place, inherits }) =>
    inherits.reduce((sum, above) => sum + worn[cams[above]!.part]![cams[above]!.place]!, worn[part]![place]!))
  return ({ value, sigma, quantity, teeth }) => {
    if (quantity.of !== 'lag') return null
    const spread = 3 * sigma + LAG_MARGIN
    const jumps = teeth.reduce<number[]>((sums, degrees) => (degrees === 0 ? sums : sums.flatMap((sum) => JUMPS.map((j) => sum + j * degrees))), [0])
    if (jumps.some((jump) => value - jump >= -spread && value - jump <= greatest[quantity.cam]! + spread)) return null
    const turn = Math.abs(Math.abs(value) - 360) < 60 ? ': it is about a whole crank turn; turn the crank once more and read again' : ': check the mark, the sign and crank against cam degrees'
    return `no wear and no jump of up to ${JUMP_MAX} teeth gives ${value} crank degrees${turn}`
  }
}

/** Lags of a chain at the end of what a drive runs with. */
function mostWorn(sheet: DriveSheet, { chain, model }: Part): number[] {
  const limit = limitFor(sheet, 'elongation', chain.id)
  const longest = Math.min(Math.max(LONGEST, limit ? (3 * limit.value) / 100 : 0), ELONGATION_MAX)
  return model.readout({ ...asNew(model), elongation: longest }).lag
}

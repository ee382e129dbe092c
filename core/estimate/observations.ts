import { ELONGATION_MAX, JUMP_MAX } from '../constants'
import { asNew, type ChainModel } from '../drive/model'
import type { Corrections } from '../job/types'
import { impossibleReading } from '../readings/checkReading'
import { brokenLoops } from '../readings/countLoops'
import { sheetCount } from '../readings/sheetCount'
import { notchesToExtension, readingSigma } from '../readings/sigma'
import type { Reading } from '../readings/types'
import type { Chain, DriveSheet } from '../sheet/types'

/** What a reading sees of the state. `shift + scale·ε` for a length; `base` links for a count. */
export type Quantity =
  | { of: 'extension' }
  | { of: 'wear'; rail: number }
  | { of: 'padWear' }
  | { of: 'lag'; cam: number }
  | { of: 'elongation'; scale: number; shift: number }
  | { of: 'count'; base: number }

/** A reading made ready for the estimate of its chain. */
export interface Observation {
  /** Place in the job's readings. */
  index: number
  value: number
  sigma: number
  quantity: Quantity
  /** What one tooth of jump on each cam adds, in the reading's unit. */
  teeth: number[]
}

/** A reading left out, and why. */
export interface ReadingFault {
  index: number
  message: string
}

/** Id of the chain that a reading bears on, null for one outside the model (a phaser's play). */
export function chainOf(sheet: DriveSheet, reading: Reading): string | null {
  if (reading.chain !== undefined) return reading.chain
  if (reading.tensioner !== undefined) return sheet.tensioners.find((t) => t.id === reading.tensioner)?.chain ?? null
  const part = reading.rail ?? reading.sprocket
  return sheet.chains.find((chain) => part !== undefined && part !== chain.driver && chain.path.includes(part))?.id ?? null
}

/** The readings of one chain made ready, and those left out: impossible ones, counts that do not sum, lags that nothing gives. */
export function observationsOf(
  sheet: DriveSheet, chain: Chain, model: ChainModel, readings: readonly Reading[], corrections: Corrections
): { observations: Observation[]; faults: ReadingFault[] } {
  const faults: ReadingFault[] = []
  const mine = readings.map((reading, index) => ({ reading, index })).filter(({ reading }) => chainOf(sheet, reading) === chain.id)
  const possible = mine.filter(({ reading, index }) => {
    const message = impossibleReading(sheet, reading)
    if (message) faults.push({ index, message })
    return !message
  })
  const broken = brokenLoops(chain, possible.filter(({ reading }) => reading.kind === 'linkCount'))
  for (const { indices, sum } of broken) {
    const message = `the counts come to ${sum} links round the loop, but the chain has ${chain.links}: count again (or it is another chain); no jump is inferred from them`
    for (const index of indices) if (!faults.some((fault) => fault.index === index)) faults.push({ index, message })
  }
  const play = playBySprocket(sheet, readings)
  const observations = possible
    .filter(({ index }) => !faults.some((fault) => fault.index === index))
    .map(({ reading, index }) => observationOf(sheet, chain, model, reading, index, corrections, play.get(reading.sprocket ?? '') ?? 0))
    .filter((observation): observation is Observation => observation !== null)
  const given = lagBounds(sheet, chain, model)
  return {
    observations: observations.filter((observation) => {
      const message = given(observation)
      if (message) faults.push({ index: observation.index, message })
      return !message
    }),
    faults
  }
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

function observationOf(
  sheet: DriveSheet, chain: Chain, model: ChainModel, reading: Reading, index: number, corrections: Corrections, play: number
): Observation | null {
  const made = (value: number, quantity: Quantity, teeth = model.cams.map(() => 0)): Observation =>
    ({ index, value, sigma: readingSigma(sheet, reading, play)!, quantity, teeth })
  switch (reading.kind) {
    case 'extension': {
      const ratchet = sheet.tensioners.find((t) => t.id === reading.tensioner)!.ratchet
      return made(reading.value ?? notchesToExtension(ratchet!, reading.notches!), { of: 'extension' })
    }
    case 'groove': {
      const rail = model.rails.indexOf(reading.rail!)
      return rail < 0 ? null : made(reading.value!, { of: 'wear', rail })
    }
    case 'padWear': return made(reading.value!, { of: 'padWear' })
    case 'camLag': {
      const cam = model.cams.indexOf(reading.sprocket!)
      const offset = corrections.offsetKeys?.[reading.sprocket!] ?? 0
      return made(reading.value! - offset, { of: 'lag', cam }, model.cams.map((_, i) => (i === cam ? model.degreesPerTooth : 0)))
    }
    case 'linkCount': {
      const teeth = model.cams.map((id) => (id === reading.from ? 1 : 0) - (id === reading.to ? 1 : 0))
      return made(reading.value!, { of: 'count', base: sheetCount(chain, reading.from!, reading.to!)! }, teeth)
    }
    case 'chainLength': {
      const length = reading.links! * chain.pitch
      return made(reading.value!, { of: 'elongation', scale: length, shift: length })
    }
    case 'chainCompare': return made(reading.value!, { of: 'elongation', scale: reading.links! * chain.pitch, shift: 0 })
    case 'phaserPlay': return null
  }
}

/** crank degrees beyond what the model gives that the maker's tolerance and an unread rail may add. */
const LAG_MARGIN = 1.5
/** fraction: a chain this long, or three times its limit, is at the end of what a drive runs with. */
const LONGEST = 0.015

/** Tells why a lag can come from no wear and no jump of up to three teeth; null when it can. */
function lagBounds(sheet: DriveSheet, chain: Chain, model: ChainModel): (observation: Observation) => string | null {
  const limit = sheet.limits.find((l) => l.kind === 'elongation' && l.chain === chain.id)
  const longest = Math.min(Math.max(LONGEST, limit ? (3 * limit.value) / 100 : 0), ELONGATION_MAX)
  const greatest = model.readout({ ...asNew(model), elongation: longest }).lag
  return ({ value, sigma, quantity }) => {
    if (quantity.of !== 'lag') return null
    const spread = 3 * sigma + LAG_MARGIN
    const teeth = Array.from({ length: 2 * JUMP_MAX + 1 }, (_, i) => (i - JUMP_MAX) * model.degreesPerTooth)
    if (teeth.some((jump) => value - jump >= -spread && value - jump <= greatest[quantity.cam]! + spread)) return null
    const turn = Math.abs(Math.abs(value) - 360) < 60 ? ': it is about a whole crank turn; turn the crank once more and read again' : ': check the mark, the sign and crank against cam degrees'
    return `no wear and no jump of up to ${JUMP_MAX} teeth gives ${value} crank degrees${turn}`
  }
}

import { chainModel, type Corrections, stageOf, trainsOf } from '../../core/drive'
import { randomness, type Roll } from '../../core/math'
import { type JobFile, methodSigma, notchesToExtension, type Reading } from '../../core/readings'
import { type Chain, compileSheet, type DriveSheet } from '../../core/sheet'
import { jobOf } from './jobs'

/** Engines of known truth, and what is read on them: honestly, or with slips of which it is known where they are. */

export interface EngineTruth {
  /** Fractions, by chain. */
  elongation: Record<string, number>
  /** mm, by rail. */
  wear: Record<string, number>
  /** mm, by tensioner. */
  pad: Record<string, number>
  /** crank degrees and teeth, by driven sprocket; the lag with the jump. */
  lag: Record<string, number>
  teeth: Record<string, number>
}

export interface JudgedCase {
  job: JobFile
  truth: EngineTruth
  /** Ids of readings that were taken wrongly, with what they should have read. */
  wrong: Map<string, number>
}

export interface Circumstances {
  /** Times as worn as usual the rails are, and as stretched the chain. */
  rails?: number
  stretch?: number
  /** mm machined off, K warm; not told. */
  skim?: (roll: Roll) => number
  heat?: (roll: Roll) => number
  /** Odds that a reading is taken wrongly. */
  gross?: number
  /** Times that each reading is taken by one hand, and the share of the variance that they have in common. */
  repeats?: { times: number; shared: number }
  /** The sheet that the workshop has of the drive, where it is another one. */
  known?: DriveSheet
}

const ANSWERED: Corrections = { skim: {}, temperature: {}, offsetKeys: {} }

/** One engine drawn from what is usual, and the readings that a mechanic takes of it. */
export function drawCase(sheet: DriveSheet, seed: number, circumstances: Circumstances = {}): JudgedCase {
  const roll = randomness(seed)
  const { skim, heat, known = sheet } = circumstances
  const corrections = trueCorrections(sheet, roll, circumstances)
  const truth: EngineTruth = { elongation: {}, wear: {}, pad: {}, lag: {}, teeth: {} }
  const extension: Record<string, number> = {}
  for (const train of trainsOf(sheet)) {
    for (const chain of train) extension[chain.id] = drawChain(sheet, chain, corrections, roll, circumstances, truth)
  }
  const exact = sheet.chains.flatMap((chain) => exactReadings(known, chain, truth, extension[chain.id]!, roll))
  const readings = exact.flatMap((reading) => takeReading(known, reading, roll, circumstances))
  // What was not told is not told at all: neither question is answered.
  const told = skim || heat ? { offsetKeys: {} } : ANSWERED
  const job = jobOf(
    readings.map(({ reading }) => reading),
    { drive: known, corrections: told }
  )
  return {
    job,
    truth,
    wrong: new Map(
      readings.flatMap(({ should }, i) => (should === null ? [] : [[job.readings[i]!.id, should] as const]))
    )
  }
}

function trueCorrections(sheet: DriveSheet, roll: Roll, { skim, heat }: Circumstances): Corrections {
  const banks = [...new Set(sheet.sprockets.flatMap(({ bank }) => (bank === undefined ? [] : [bank])))]
  return {
    ...(skim ? { skim: Object.fromEntries(banks.map((bank) => [bank, skim(roll)])) } : {}),
    ...(heat ? { temperature: { celsius: 20 + heat(roll), block: 'aluminium' as const } } : {})
  }
}

function drawTeeth({ uniform }: Roll): number {
  const u = uniform()
  if (u < 0.94) return 0
  const tooth = u < 0.99 ? 1 : u < 0.998 ? 2 : 3
  return uniform() < 0.5 ? tooth : -tooth
}

/** Draws one chain's wear into the truth; returns its extension with this engine's own scatter. */
function drawChain(
  sheet: DriveSheet,
  chain: Chain,
  corrections: Corrections,
  roll: Roll,
  { rails = 1, stretch = 1 }: Circumstances,
  truth: EngineTruth
): number {
  const model = chainModel(sheet, chain, corrections)
  const state = {
    elongation: Math.min(Math.abs(roll.normal(0.004 * stretch)), 0.02),
    wear: model.rails.map(() => Math.abs(roll.normal(0.5 * rails))),
    padWear: Math.abs(roll.normal(0.3))
  }
  const { extension, lag } = model.readout(state)
  truth.elongation[chain.id] = state.elongation
  model.rails.forEach((id, i) => (truth.wear[id] = state.wear[i]!))
  if (model.tensioner) truth.pad[model.tensioner] = state.padWear
  const upstream = stageOf(sheet, chain).upstream?.sprocket
  model.cams.forEach((id, i) => {
    truth.teeth[id] = drawTeeth(roll)
    const before = upstream === undefined ? 0 : truth.lag[upstream]!
    truth.lag[id] = before + lag[i]! + roll.normal(0.5) + truth.teeth[id]! * model.degreesPerTooth
  })
  return (extension ?? 0) + roll.normal(0.5)
}

/** What a mechanic reads of a chain, with the value that it truly has. */
function exactReadings(sheet: DriveSheet, chain: Chain, truth: EngineTruth, extension: number, roll: Roll): Reading[] {
  const parts = compileSheet(sheet)
  const tensioner = parts.tensionerOf(chain.id)
  const cams = chain.path.filter((id) => parts.sprockets.has(id) && id !== chain.driver)
  const rails = chain.path.filter((id) => parts.rails.has(id) && truth.wear[id] !== undefined)
  const teeth = (id: string) => truth.teeth[id] ?? 0
  const turned = { turnedForward: true }
  const readings: Reading[] = []
  if (tensioner) {
    const value = Math.min(extension, tensioner.stroke)
    readings.push({ kind: 'extension', tensioner: tensioner.id, value, method: 'calliper', ...turned })
    if (roll.chance(0.3))
      readings.push({
        kind: 'padWear',
        tensioner: tensioner.id,
        value: truth.pad[tensioner.id]!,
        method: roll.pick(['gauge', 'eye'])
      })
  }
  for (const sprocket of cams) {
    const method = roll.pick(['marks', 'wheel', 'lift'])
    readings.push({ kind: 'camLag', sprocket, value: truth.lag[sprocket]!, method, ...turned })
  }
  for (const rail of rails) {
    if (roll.chance(0.7))
      readings.push({
        kind: 'groove',
        rail,
        value: truth.wear[rail]!,
        method: roll.pick(['gauge', 'feeler', 'thumbnail'])
      })
  }
  if (roll.chance(0.5)) {
    const value = 20 * chain.pitch * (1 + truth.elongation[chain.id]!)
    readings.push({ kind: 'chainLength', chain: chain.id, links: 20, value, method: 'calliper' })
  }
  if (roll.chance(0.5))
    for (const { from, to, links } of chain.counts)
      readings.push({ kind: 'linkCount', chain: chain.id, from, to, value: links + teeth(from) - teeth(to) })
  return readings
}

interface Taken {
  reading: Reading
  /** What it should have read, where it was taken wrongly. */
  should: number | null
}

/** A reading as it is taken: with its method's noise, perhaps several times by one hand, perhaps wrongly. */
function takeReading(sheet: DriveSheet, exact: Reading, roll: Roll, { gross = 0, repeats }: Circumstances): Taken[] {
  if (exact.kind === 'condition') return []
  const sigma = exact.kind === 'linkCount' ? 0 : (methodSigma(exact.kind, exact.method) ?? 0)
  const { times, shared } = repeats ?? { times: 1, shared: 0 }
  const hand = roll.normal(sigma * Math.sqrt(shared))
  const floor = exact.kind === 'camLag' || exact.kind === 'chainCompare' ? -Infinity : 0
  return Array.from({ length: exact.kind === 'linkCount' ? 1 : times }, (): Taken => {
    const value = Math.max(floor, (exact.value ?? 0) + hand + roll.normal(sigma * Math.sqrt(1 - shared)))
    if (!roll.chance(gross)) return { reading: { ...exact, value } as Reading, should: null }
    return { reading: spoil(sheet, { ...exact, value } as Reading, roll), should: value }
  })
}

/** A reading taken wrongly: half of them in a way that has a name, the others anywhere. */
function spoil(sheet: DriveSheet, reading: Reading, roll: Roll): Reading {
  const value = reading.value ?? 0
  const named = roll.chance(0.5)
  const away = (sd: number) => value + (Math.abs(roll.normal(sd)) + sd / 4) * (roll.chance(0.5) ? 1 : -1)
  switch (reading.kind) {
    case 'camLag': {
      const chain = compileSheet(sheet).chainAt(reading.sprocket)!
      const tooth = 360 / compileSheet(sheet).sprocket(chain.driver).teeth
      const ways = [value + tooth, value - tooth, value + 180, ...(Math.abs(value) > 6 ? [value / 2, -value] : [])]
      return { ...reading, value: named ? roll.pick(ways) : away(25) }
    }
    case 'extension': {
      const ratchet = compileSheet(sheet).tensioner(reading.tensioner).ratchet
      const notches = Math.max(0, Math.round(value))
      const most = compileSheet(sheet).tensioner(reading.tensioner).stroke
      if (named && ratchet && notchesToExtension(ratchet, notches) <= most)
        return { ...reading, value: undefined, notches } as unknown as Reading
      return { ...reading, value: Math.min(most, Math.max(0, away(5))) }
    }
    case 'linkCount':
      return { ...reading, value: value + (roll.chance(0.5) ? 1 : -1) }
    case 'chainLength':
      return { ...reading, value: named ? value + (roll.chance(0.5) ? 1 : -1) * (value / reading.links) : away(1) }
    case 'groove':
    case 'padWear':
      return { ...reading, value: Math.max(0, away(1.5)) }
    default:
      return reading
  }
}

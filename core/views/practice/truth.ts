import { chainModel } from '../../drive'
import { extensionToNotches, isNumeric, methodSigma, type NumericKind, type Reading, type Unread } from '../../readings'
import type { DriveSheet } from '../../sheet'
import { randomness } from '../../math'

/** What is really true of a made-up engine; anything not named is as new. */
export interface Truth {
  /** Fraction, by chain. */
  elongation?: Record<string, number>
  /** mm, by rail. */
  wear?: Record<string, number>
  /** mm, by tensioner. */
  pad?: Record<string, number>
  /** Whole teeth, by sprocket; + = late. */
  teeth?: Record<string, number>
  /** crank degrees, by phaser. */
  play?: Record<string, number>
  /** crank degrees that something else (a moved phaser, a wrong key) adds, by sprocket. */
  shift?: Record<string, number>
}

/** What a drive in this state shows: extension by tensioner, lag by sprocket (teeth and shifts in it), slack (mm) by chain. */
export function shown(sheet: DriveSheet, truth: Truth): { extension: Record<string, number>; lag: Record<string, number>; slack: Record<string, number> } {
  const extension: Record<string, number> = {}
  const lag: Record<string, number> = {}
  const slack: Record<string, number> = {}
  for (const chain of sheet.chains) {
    const model = chainModel(sheet, chain)
    const tensioner = model.tensioner ?? ''
    const readout = model.readout({ elongation: truth.elongation?.[chain.id] ?? 0, wear: model.rails.map((id) => truth.wear?.[id] ?? 0), padWear: truth.pad?.[tensioner] ?? 0 })
    slack[chain.id] = readout.slack
    if (readout.extension !== null) extension[tensioner] = readout.extension
    model.cams.forEach((id, i) => (lag[id] = readout.lag[i]! + (truth.teeth?.[id] ?? 0) * model.degreesPerTooth + (truth.shift?.[id] ?? 0)))
  }
  return { extension, lag, slack }
}

/**
 * What a mechanic would read: the drive's true figure with the noise of the method, to the digits it is read with.
 * @param asked readings without their figures; one that has its figure already is left as it is
 */
export function readOff(sheet: DriveSheet, truth: Truth, asked: readonly Unread[], seed: number): Reading[] {
  const { normal } = randomness(1000 + 7919 * seed)
  const stands = shown(sheet, truth)
  return asked.map((reading): Reading => {
    if (!isNumeric(reading.kind) || reading.value !== undefined) return reading as Reading
    const noise = normal(methodSigma(reading.kind, reading.method) ?? 0)
    if (reading.notches !== undefined) {
      const { ratchet } = sheet.tensioners.find((t) => t.id === reading.tensioner)!
      return { ...reading, notches: extensionToNotches(ratchet!, stands.extension[reading.tensioner!]!) } as Reading
    }
    const [value, digits] = FIGURES[reading.kind]({ sheet, truth, stands, reading, noise })
    return { ...reading, value: Number(value.toFixed(digits)) } as Reading
  })
}

interface Look {
  sheet: DriveSheet
  truth: Truth
  stands: ReturnType<typeof shown>
  reading: Unread
  /** One draw of the method's uncertainty, in the reading's unit. */
  noise: number
}

/** The figure of each kind, and the digits it is read with. */
const FIGURES: Readonly<Record<NumericKind, (look: Look) => [value: number, digits: number]>> = {
  extension: ({ sheet, stands, reading, noise }) => [Math.min(stands.extension[reading.tensioner!]! + noise, sheet.tensioners.find((t) => t.id === reading.tensioner)!.stroke), 1],
  camLag: ({ stands, reading, noise }) => [stands.lag[reading.sprocket!]! + 0.5 * noise, 1],
  groove: ({ truth, reading, noise }) => [Math.max(0, known(truth.wear, reading.rail) + noise), 2],
  padWear: ({ truth, reading, noise }) => [Math.max(0, known(truth.pad, reading.tensioner) + noise), 2],
  phaserPlay: ({ truth, reading, noise }) => [Math.max(0, (truth.play?.[reading.phaser!] ?? 0.3) + 0.5 * noise), 1],
  chainLength: ({ sheet, truth, reading, noise }) => [asNewLength(sheet, reading) * (1 + known(truth.elongation, reading.chain)) + noise, 2],
  chainCompare: ({ sheet, truth, reading, noise }) => [asNewLength(sheet, reading) * known(truth.elongation, reading.chain) + noise, 2],
  linkCount: ({ sheet, truth, reading }) => [chainOf(sheet, reading).counts.find((c) => c.from === reading.from && c.to === reading.to)!.links + known(truth.teeth, reading.from) - known(truth.teeth, reading.to), 1]
}

function known(of: Record<string, number> | undefined, id: string | undefined): number {
  return of?.[id ?? ''] ?? 0
}

function chainOf(sheet: DriveSheet, { chain }: Unread) {
  return sheet.chains.find((c) => c.id === chain)!
}

/** mm that so many links of a chain measure when it is new. */
export function asNewLength(sheet: DriveSheet, reading: Unread): number {
  return reading.links! * chainOf(sheet, reading).pitch
}

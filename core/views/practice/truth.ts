import { chainModel, inheritsFrom, toothDegreesOf } from '../../drive'
import { extensionToNotches, isNumeric, methodSigma, type NumericKind, type Reading, type Unread } from '../../readings'
import { compileSheet, type DriveSheet } from '../../sheet'
import { randomness } from '../../math'
import { readFigure, type Stand } from './figures'

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

/**
 * What a drive in this state shows: extension by tensioner, lag by sprocket (teeth and shifts in it), slack (mm) by
 * chain.
 */
export function standTrue(
  sheet: DriveSheet,
  truth: Truth
): { extension: Record<string, number>; lag: Record<string, number>; slack: Record<string, number> } {
  const extension: Record<string, number> = {}
  const lag: Record<string, number> = {}
  const slack: Record<string, number> = {}
  for (const chain of sheet.chains) {
    const model = chainModel(sheet, chain)
    const tensioner = model.tensioner ?? ''
    const readout = model.readout({
      elongation: truth.elongation?.[chain.id] ?? 0,
      wear: model.rails.map((id) => truth.wear?.[id] ?? 0),
      padWear: truth.pad?.[tensioner] ?? 0
    })
    slack[chain.id] = readout.slack
    if (readout.extension !== null) extension[tensioner] = readout.extension
    model.cams.forEach((id, i) => {
      const jumped = (truth.teeth?.[id] ?? 0) * toothDegreesOf(sheet, chain, id)
      lag[id] = readout.lag[i]! + jumped + (truth.shift?.[id] ?? 0)
    })
  }
  return { extension, lag: withStages(sheet, lag), slack }
}

/** Lags with those of the stages before them: of the sprocket that drives a cam's chain, or by gears the cam itself. */
function withStages(sheet: DriveSheet, own: Readonly<Record<string, number>>): Record<string, number> {
  const whole = (id: string): number => {
    const chain = compileSheet(sheet).chainAt(id)
    const above = chain && inheritsFrom(sheet, chain, id)
    return (own[id] ?? 0) + (above === null ? 0 : whole(above))
  }
  return Object.fromEntries(Object.keys(own).map((id) => [id, whole(id)]))
}

/**
 * What a mechanic would read: the drive's true figure with the noise of the method, to the digits it is read with.
 * @param asked readings without their figures; one that has its figure already is left as it is
 */
export function readOff(sheet: DriveSheet, truth: Truth, asked: readonly Unread[], seed: number): Reading[] {
  const { normal } = randomness(1000 + 7919 * seed)
  const stand = standOfTruth(sheet, truth)
  return asked.map((reading): Reading => {
    if (!isNumeric(reading.kind) || reading.value !== undefined) return reading as Reading
    const noise = normal(methodSigma(reading.kind, reading.method) ?? 0) * (EYE[reading.kind] ?? 1)
    if (reading.notches === undefined)
      return { ...reading, value: readFigure(reading.kind, stand, reading, noise) } as Reading
    const { ratchet } = compileSheet(sheet).tensioner(reading.tensioner ?? '')
    return {
      ...reading,
      notches: ratchet ? extensionToNotches(ratchet, stand.extension(reading.tensioner ?? '')) : NaN
    } as Reading
  })
}

/** Shares of a method's uncertainty, of angles that are read with a good eye. */
const EYE: Readonly<Partial<Record<NumericKind, number>>> = { camLag: 0.5, phaserPlay: 0.5 }
/** Play of a sound phaser, crank degrees. */
const SOUND_PLAY = 0.3

function standOfTruth(sheet: DriveSheet, truth: Truth): Stand {
  const { extension, lag } = standTrue(sheet, truth)
  return {
    sheet,
    ...wearsOf(truth),
    play: (phaser) => truth.play?.[phaser] ?? SOUND_PLAY,
    extension: (tensioner) => extension[tensioner] ?? NaN,
    lag: (sprocket) => lag[sprocket] ?? NaN,
    kickBack: () => 0,
    moved: (sprocket) => truth.teeth?.[sprocket] ?? 0
  }
}

/** The wears of a truth by part; what is not named is as new. */
export function wearsOf({ elongation, wear, pad }: Truth): Pick<Stand, 'elongation' | 'wear' | 'pad'> {
  return {
    elongation: (chain) => elongation?.[chain] ?? 0,
    wear: (rail) => wear?.[rail] ?? 0,
    pad: (tensioner) => pad?.[tensioner] ?? 0
  }
}

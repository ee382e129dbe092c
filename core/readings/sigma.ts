import { inheritsFrom } from '../drive'
import { compileSheet, type DriveSheet, type Phaser, type Tensioner } from '../sheet'
import { BACKLASH_SIGMA, methodSigma } from './kinds'
import type { Of, Unread } from './types'

/**
 * Standard deviation of a reading in its kind's unit, with what its circumstances add in quadrature: for a lag, a
 * phaser not locked at rest (half its range), phaser play (half of it) and a drive not turned forward last (1.5°); for
 * an extension on a ratchet, the same (pitch/√12).
 * @param play crank degrees of play found in the phaser on the reading's sprocket, 0 when none was read
 * @returns null when neither a sigma nor a known method is given
 */
export function readingSigma(sheet: DriveSheet, reading: Unread, play = 0): number | null {
  const own = ownSigma(sheet, reading)
  if (own === null) return null
  const ratchet = ratchetOf(sheet, reading)
  const unsettled = reading.turnedForward === true ? 0 : 1
  if (reading.kind === 'extension' && ratchet && reading.gap === undefined)
    return Math.hypot(own, (unsettled * ratchet.pitch) / Math.sqrt(12))
  if (reading.kind !== 'camLag') return own
  const shifting = reading.phaserLocked === false ? phasersBefore(sheet, reading.sprocket) : []
  const loose = Math.hypot(...shifting.map(({ range }) => range / 2))
  return Math.hypot(own, loose, play / 2, unsettled * BACKLASH_SIGMA)
}

/** Phasers that shift a cam: its own, and that of the cam which drives it by chain or gears. */
function phasersBefore(sheet: DriveSheet, sprocket: string, depth = 0): Phaser[] {
  const { phaserOn, chainAt } = compileSheet(sheet)
  const chain = chainAt(sprocket)
  const own = phaserOn(sprocket)
  const before = chain && inheritsFrom(sheet, chain, sprocket)
  return [...(own ? [own] : []), ...(before === null || depth > 4 ? [] : phasersBefore(sheet, before, depth + 1))]
}

function ratchetOf(sheet: DriveSheet, { tensioner }: Unread): Tensioner['ratchet'] {
  return tensioner === undefined ? undefined : compileSheet(sheet).tensioners.get(tensioner)?.ratchet
}

function ownSigma(sheet: DriveSheet, reading: Unread): number | null {
  if (reading.sigma !== undefined) return reading.sigma
  if (reading.kind === 'extension' && reading.gap !== undefined) return GAP_SIGMA
  if (reading.kind === 'extension' && reading.value === undefined) {
    const ratchet = ratchetOf(sheet, reading)
    if (!ratchet) return null
    return (reading.notches === 0 ? ratchet.first : ratchet.pitch) / Math.sqrt(12)
  }
  if (reading.kind === 'condition') return null
  return methodSigma(reading.kind, reading.method)
}

/** mm: a lifter is pushed home by hand as far as one feels the chain taut, and the gap is read by eye or rule. */
const GAP_SIGMA = 1

/** mm that a tensioner stands out when it is removed and let go: what the sheet says, else its whole stroke. */
export function freeExtension({ freeExtension: free, stroke }: Tensioner): number {
  return free ?? stroke
}

/**
 * Extension in mm that a reading of it stands for: its figure, the middle of its notches, or what the removed lifter
 * stands out less the gap that is left when it is pushed home. NaN where notches show and there is no ratchet.
 */
export function extensionRead(tensioner: Tensioner, { value, notches, gap }: Of<'extension'>): number {
  if (value !== undefined) return value
  if (gap !== undefined) return freeExtension(tensioner) - gap
  return tensioner.ratchet && notches !== undefined ? notchesToExtension(tensioner.ratchet, notches) : NaN
}

/** Extension in mm that a number of showing notches stands for: first + (n − ½)·pitch, and first/2 for none. */
export function notchesToExtension(ratchet: { first: number; pitch: number }, notches: number): number {
  return notches === 0 ? ratchet.first / 2 : ratchet.first + (notches - 0.5) * ratchet.pitch
}

/** Notches that show at an extension: floor((e − first)/pitch) + 1, at least 0. */
export function extensionToNotches(ratchet: { first: number; pitch: number }, extension: number): number {
  return Math.max(0, Math.floor((extension - ratchet.first) / ratchet.pitch) + 1)
}

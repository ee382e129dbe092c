import { type NumericKind, READING_KINDS, type Unread } from '../../readings'
import { compileSheet, type DriveSheet } from '../../sheet'

/**
 * How a made-up drive stands: what is read on it, before the noise of reading. Lengths mm, angles crank degrees,
 * elongation a fraction.
 */
export interface Stand {
  sheet: DriveSheet
  elongation: (chain: string) => number
  wear: (rail: string) => number
  pad: (tensioner: string) => number
  play: (phaser: string) => number
  extension: (tensioner: string) => number
  lag: (sprocket: string) => number
  /** Degrees that a lag read at the marks lacks, where the engine was last turned back. */
  kickBack: (reading: Unread) => number
  /** Links that a sprocket's mark has moved by; halves where it stands between two. */
  moved: (sprocket: string) => number
}

interface Figure {
  /** Decimals that the eye reads it with, where they are fewer than a figure of its kind has. */
  digits?: number
  /** With one draw of the method's uncertainty, in the reading's unit. */
  read: (stand: Stand, reading: Unread, noise: number) => number
}

/** What a reading of each kind reads on a drive that stands so. */
export const FIGURES: Readonly<Record<NumericKind, Figure>> = {
  extension: {
    read: ({ sheet, extension }, { tensioner = '' }, noise) =>
      Math.min(extension(tensioner) + noise, compileSheet(sheet).tensioner(tensioner).stroke)
  },
  camLag: { read: ({ lag, kickBack }, reading, noise) => lag(reading.sprocket ?? '') + noise - kickBack(reading) },
  groove: { read: ({ wear }, { rail = '' }, noise) => Math.max(0, wear(rail) + noise) },
  padWear: { read: ({ pad }, { tensioner = '' }, noise) => Math.max(0, pad(tensioner) + noise) },
  phaserPlay: { read: ({ play }, { phaser = '' }, noise) => Math.max(0, play(phaser) + noise) },
  linkCount: {
    read: ({ sheet, moved }, { chain = '', from = '', to = '' }) =>
      linksBetween(sheet, chain, from, to) + moved(from) - moved(to)
  },
  chainLength: {
    read: ({ sheet, elongation }, reading, noise) =>
      asNewLength(sheet, reading) * (1 + elongation(reading.chain ?? '')) + noise
  },
  chainCompare: {
    digits: 1,
    read: ({ sheet, elongation }, reading, noise) =>
      asNewLength(sheet, reading) * elongation(reading.chain ?? '') + noise
  }
}

/** The figure as it is read: as fine as it can be. */
export function readFigure(kind: NumericKind, stand: Stand, reading: Unread, noise: number): number {
  const { digits = READING_KINDS[kind].digits, read } = FIGURES[kind]
  return Number(read(stand, reading, noise).toFixed(digits))
}

function linksBetween(sheet: DriveSheet, chain: string, from: string, to: string): number {
  return (
    compileSheet(sheet)
      .chain(chain)
      .counts.find((count) => count.from === from && count.to === to)?.links ?? NaN
  )
}

/** mm that so many links of a chain measure when it is new. */
export function asNewLength(sheet: DriveSheet, { chain = '', links = NaN }: Unread): number {
  return links * compileSheet(sheet).chain(chain).pitch
}

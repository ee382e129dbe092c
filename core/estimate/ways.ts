import { compileSheet, type DriveSheet } from '../sheet'
import { impossibleReading, type KnownReading, methodSigma, notchesToExtension, type NumericKind } from '../readings'

/** How a reading can be wrong; `far-off` for none of the named ones. */
export const WRONG_WAYS = [
  'next-mark',
  'cam-half-turn',
  'crank-half-turn',
  'cam-degrees',
  'crank-degrees',
  'turned-round',
  'notches-as-mm',
  'mm-as-notches',
  'inches-as-mm',
  'mm-as-inches',
  'link-missed',
  'link-twice',
  'other-run',
  'link-more',
  'link-less',
  'other-number',
  'far-off'
] as const

export type WrongWay = (typeof WRONG_WAYS)[number]

/** One way in which a reading may be wrong, and what it would read then. */
export interface Way {
  /** `moved` of how a cam sits. */
  as: WrongWay | 'moved'
  /** Of the odds of being wrong at all. */
  share: number
  /** What should have been read. */
  value: number
  /** How many of that unit one of what was read is. */
  times: number
  /** sd added in quadrature. */
  spread: number
  /** sd where it is another method's. */
  sigma?: number
}

/** Share of wrong readings that are wrong in no named way, and how far those lie, sd in the reading's unit. */
const FAR_OFF: Readonly<Record<NumericKind, { share: number; sd: number }>> = {
  camLag: { share: 0.3, sd: 25 },
  extension: { share: 0.5, sd: 5 },
  linkCount: { share: 0.2, sd: 1.5 },
  chainLength: { share: 0.5, sd: 1 },
  chainCompare: { share: 0.5, sd: 1 },
  groove: { share: 0.8, sd: 1.5 },
  padWear: { share: 0.8, sd: 1.5 },
  phaserPlay: { share: 0.5, sd: 5 }
}

const INCH = 25.4
/** Numbers of links that chains are usually measured over. */
const USUAL_LINKS = [10, 12, 15, 20, 24, 25, 30]

type Named = Pick<Way, 'value'> & { as: WrongWay } & { times?: number; sigma?: number; weight?: number }

/**
 * The ways in which a reading may be wrong, with what it should have read.
 * @param degreesPerTooth of the driven sprocket that a lag is of
 */
export function waysOf(sheet: DriveSheet, reading: KnownReading, value: number, degreesPerTooth: number): Way[] {
  if (reading.kind === 'condition') return []
  const { share, sd } = FAR_OFF[reading.kind]
  const named = namedWays(sheet, reading, value, degreesPerTooth)
  const total = named.reduce((sum, { weight = 1 }) => sum + weight, 0)
  return [
    ...named.map(({ weight = 1, times = 1, ...way }) => ({
      ...way,
      times,
      spread: 0,
      share: ((1 - share) * weight) / total
    })),
    { as: 'far-off', share: named.length > 0 ? share : 1, value, times: 1, spread: sd }
  ]
}

function namedWays(sheet: DriveSheet, reading: KnownReading, value: number, degreesPerTooth: number): Named[] {
  switch (reading.kind) {
    case 'camLag':
      return lagWays(value, degreesPerTooth)
    case 'extension':
      return extensionWays(sheet, reading)
    case 'groove':
    case 'padWear':
      return inchWays(value)
    case 'phaserPlay':
      return [
        { as: 'cam-degrees', value: 2 * value, times: 2 },
        { as: 'crank-degrees', value: value / 2, times: 0.5 }
      ]
    case 'linkCount':
      return countWays(sheet, reading)
    case 'chainLength':
      return lengthWays(compileSheet(sheet).chain(reading.chain).pitch, reading.links, value)
    case 'chainCompare': {
      const { pitch } = compileSheet(sheet).chain(reading.chain)
      return [
        { as: 'link-more', value: value - pitch },
        { as: 'link-less', value: value + pitch }
      ]
    }
    default:
      return []
  }
}

/** Twice as many of them are at the next tooth as in any other way: that mark lies beside the right one. */
function lagWays(value: number, tooth: number): Named[] {
  const shifts = (as: WrongWay, by: number, weight: number): Named[] => [
    { as, value: value - by, weight },
    { as, value: value + by, weight }
  ]
  return [
    ...shifts('next-mark', tooth, 3),
    ...shifts('cam-half-turn', 360, 0.5),
    ...shifts('crank-half-turn', 180, 0.5),
    { as: 'cam-degrees', value: 2 * value, times: 2 },
    { as: 'crank-degrees', value: value / 2, times: 0.5 },
    { as: 'turned-round', value: -value }
  ]
}

function extensionWays(
  sheet: DriveSheet,
  { tensioner, value, notches, gap }: Extract<KnownReading, { kind: 'extension' }>
): Named[] {
  const { ratchet } = compileSheet(sheet).tensioner(tensioner)
  if (gap !== undefined) return []
  if (value === undefined) {
    return notches === undefined
      ? []
      : [{ as: 'mm-as-notches', value: notches, sigma: methodSigma('extension', 'calliper') ?? NaN }]
  }
  return [
    ...(ratchet && Number.isInteger(value)
      ? [
          {
            as: 'notches-as-mm' as const,
            value: notchesToExtension(ratchet, value),
            sigma: ratchet.pitch / Math.sqrt(12)
          }
        ]
      : []),
    { as: 'inches-as-mm', value: INCH * value, times: INCH }
  ]
}

function inchWays(value: number): Named[] {
  return [
    { as: 'inches-as-mm', value: INCH * value, times: INCH },
    { as: 'mm-as-inches', value: value / INCH, times: 1 / INCH }
  ]
}

/** Counted from another run's mark, a count comes to that run's links. */
function countWays(
  sheet: DriveSheet,
  { chain, from, to, value }: Extract<KnownReading, { kind: 'linkCount' }>
): Named[] {
  const { counts } = compileSheet(sheet).chain(chain)
  const mine = counts.find((run) => run.from === from && run.to === to)?.links
  const others = new Set(counts.map(({ links }) => links).filter((links) => links !== mine))
  return [
    { as: 'link-missed', value: value + 1, weight: 2 },
    { as: 'link-twice', value: value - 1, weight: 2 },
    ...(mine === undefined ? [] : [...others].map((links): Named => ({ as: 'other-run', value: value + mine - links })))
  ]
}

/** Measured over another number of links, a length is that many times as long. */
function lengthWays(pitch: number, links: number, value: number): Named[] {
  const over = (as: WrongWay, number: number, weight = 1): Named => ({
    as,
    value: value + (links - number) * pitch,
    weight
  })
  return [
    over('link-more', links + 1, 2),
    over('link-less', links - 1, 2),
    ...USUAL_LINKS.filter((number) => Math.abs(number - links) > 1).map((number) => over('other-number', number, 0.5))
  ]
}

/** Could a reading that cannot be true of its drive be one of them that was taken wrongly? */
export function isPossibleAs(sheet: DriveSheet, reading: KnownReading, way: Way): boolean {
  if (way.as === 'far-off' || reading.kind === 'condition') return false
  const { notches: _notches, gap: _gap, ...rest } = reading as KnownReading & { notches?: number; gap?: number }
  return impossibleReading(sheet, { ...rest, value: way.value } as KnownReading) === null
}

import {
  CALL_WORDS,
  KIND_NAMES,
  SCHOOL_WORDS,
  USAGE_UNITS,
  degreesWords,
  findingWords,
  fixDigits,
  moneyWords,
  namesOf,
  oddsWords,
  partName,
  teethOff,
  thousands
} from '../words/en'
import type { JobState, WaitsFor } from '../core/record'
import { READING_KINDS, isNumeric, methodOf, type NumericKind, type Reading, type Usage } from '../core/readings'
import { partKindOf, type DriveSheet, type LimitValue } from '../core/sheet'
import { isLength, lengthWords, shownUsage, units } from './units'

/** All wording that more than one place of the interface uses. */

/**
 * Where a job has gone: the title of that list, what was done to a job that went there, and what an empty list says.
 */
export const STATE_WORDS: Readonly<Record<JobState, { title: string; done: string; move: string; empty: string }>> = {
  open: {
    title: 'On the stands',
    done: 'open again',
    move: 'Open again',
    empty: 'No job is open. Start with a new one, or import a job file.'
  },
  closed: { title: 'Closed', done: 'closed', move: 'Close', empty: 'No job is closed yet.' },
  archived: {
    title: 'Archive',
    done: 'put in the archive',
    move: 'Put in the archive',
    empty: 'Nothing is in the archive.'
  },
  deleted: {
    title: 'Deleted',
    done: 'deleted; it can be opened again from the list of deleted jobs',
    move: 'Delete',
    empty: 'Nothing was deleted.'
  }
}

/** What a job waits for, as the board says it and as it is chosen. */
export const WAITS_WORDS: Readonly<Record<WaitsFor, { says: string; choose: string }>> = {
  part: { says: 'Waits for a part', choose: 'Waits for a part …' },
  customer: { says: "Waits for the customer's word", choose: 'Waits for the customer …' },
  nothing: { says: 'Waits for nothing', choose: 'Waits no longer' }
}

export const METHOD_WORDS: Readonly<Record<string, string>> = {
  calliper: 'Calliper',
  photo: 'Photo',
  eye: 'By eye',
  gauge: 'Depth gauge',
  feeler: 'Feeler',
  thumbnail: 'Thumbnail',
  marks: 'Marks',
  wheel: 'Degree wheel',
  lift: 'Valve lift',
  scan: 'Scan tool',
  trace: 'Trace',
  count: 'Counted',
  rule: 'Rule',
  side: 'Side by side',
  hand: 'By hand',
  dial: 'Dial gauge'
}

export {
  CALL_WORDS,
  findingWords,
  fixDigits,
  KIND_NAMES,
  moneyWords as money,
  namesOf,
  oddsWords,
  partName,
  SCHOOL_WORDS,
  USAGE_UNITS
}

/** A fraction as per cent. */
export function percent(fraction: number, digits = 2): string {
  return `${fixDigits(100 * fraction, digits)} %`
}

/** A lag with its sign in words. */
export function lagWords(degrees: number): string {
  if (Math.abs(degrees) < 0.05) return '0.0°'
  return degreesWords(degrees)
}

/** Whole teeth jumped, in words. */
export function teethWords(teeth: number): string {
  if (teeth === 0) return 'no tooth jumped'
  return teethOff(teeth)
}

/** `148 200 km`. */
export function usageWords(usage: Usage): string {
  const { value, unit } = shownUsage(usage)
  return `${thousands(value)} ${USAGE_UNITS[unit]}`
}

/** What a reading says, with its unit and its sign in words. */
export function readingWords(reading: Reading): string {
  if (!isNumeric(reading.kind)) return reading.count === undefined ? '' : `${reading.count}`
  if (reading.value === undefined) return `${reading.notches} ${reading.notches === 1 ? 'notch' : 'notches'}`
  if (reading.kind === 'camLag') return lagWords(reading.value)
  if (reading.kind === 'phaserPlay') return `${fixDigits(reading.value, 1)}°`
  if (reading.kind === 'linkCount') return `${reading.value} links`
  const place = reading.place === undefined ? '' : `, place ${reading.place}`
  const over = reading.links === undefined ? '' : ` over ${reading.links} links${place}`
  return `${lengthWords(reading.value, READING_KINDS[reading.kind].digits)}${over}`
}

/** What was read: the kind of figure, or the finding itself. */
export function kindWords(sheet: DriveSheet, reading: Reading): string {
  if (reading.kind !== 'condition') return KIND_NAMES[reading.kind]
  const kind = partKindOf(sheet, reading.target)
  return `${partName(sheet, reading.target)}: ${kind ? findingWords(kind, reading.finding) : reading.finding}`
}

/** How a reading was taken; empty for a finding, which has no method. */
export function howWords({ kind, method }: Reading): string {
  return isNumeric(kind) ? (METHOD_WORDS[methodOf(kind, method)] ?? method ?? '') : ''
}

/** What a reading reads, on which part: `Groove depth, fixed guide`. */
export function readingTitle(
  sheet: DriveSheet,
  { kind, part, target }: { kind: NumericKind; part: string; target: Partial<Reading> }
): string {
  const where =
    target.from && target.to
      ? `${partName(sheet, target.from)} to ${partName(sheet, target.to)}`
      : partName(sheet, part)
  return `${KIND_NAMES[kind]}, ${where.toLowerCase()}`
}

/** A limit with its unit and where it comes from. */
export function limitWords({ value, unit, source }: LimitValue): string {
  return `${unit === 'mm' ? lengthWords(value, 1) : `${value} ${unit}`} (${source})`
}

/** A unit as it stands beside a figure. */
export function unitWords(kind: NumericKind): string {
  const { unit } = READING_KINDS[kind]
  if (isLength(kind)) return units.value.length
  return unit === 'crank degrees' ? '° crank' : unit
}

/** The causes of a tensioner's extension. */
export function causeWords(sheet: DriveSheet, cause: string): string {
  const words: Record<string, string> = {
    'as new': 'As new',
    corrections: 'Skim, heat',
    stretch: 'Stretch',
    pad: 'Pad',
    unexplained: 'Unexplained'
  }
  return words[cause] ?? partName(sheet, cause)
}

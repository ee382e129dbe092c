import { midSentence, known, withDecimals } from '../words/spoken'
import {
  FINDING_SAYS,
  METHOD_WORDS,
  READINGS,
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
import {
  figureOf,
  READING_KINDS,
  isNumeric,
  methodOf,
  type NumericKind,
  type Of,
  type Reading,
  type Usage
} from '../core/readings'
import { partKindOf, type DriveSheet, type LimitValue } from '../core/sheet'
import { findingUnit, fromStoredFinding, isLength, lengthWords, shownUsage, units } from './units'

/** All wording that more than one place of the interface uses. */

export {
  METHOD_WORDS,
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

/** Choices out of words by what they stand for. */
export function choicesOf<T extends string>(words: Readonly<Record<T, string>>): { value: T; label: string }[] {
  return (Object.entries(words) as [T, string][]).map(([value, label]) => ({ value, label }))
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
  if (teeth === 0) return READINGS.noToothJumped
  return teethOff(teeth)
}

/** `148 200 km`. */
export function usageWords(usage: Usage): string {
  const { value, unit } = shownUsage(usage)
  return `${thousands(value)} ${USAGE_UNITS[unit]}`
}

/** What a reading says, with its unit and its sign in words. */
export function readingWords(reading: Reading): string {
  if (reading.kind === 'condition') return findingDetail(reading)
  if (reading.gap !== undefined) return READINGS.gap(lengthWords(reading.gap, 1))
  if (reading.value === undefined) return READINGS.notches(reading.notches ?? 0)
  if (reading.kind === 'camLag') return lagWords(reading.value)
  if (reading.kind === 'phaserPlay') return `${fixDigits(reading.value, 1)}°`
  if (reading.kind === 'linkCount') return READINGS.links(reading.value)
  const over = reading.links === undefined ? '' : READINGS.over(reading.links, reading.place)
  return `${lengthWords(reading.value, READING_KINDS[reading.kind].digits)}${over}`
}

/** What a finding says beside its name: its count, its figure, and whose it is. */
export function findingDetail(reading: Of<'condition'>): string {
  const { finding, count, value, cylinder, bank, sensor, speed, temperature, where } = reading
  return [
    count === undefined ? '' : `${count}`,
    cylinder === undefined ? '' : FINDING_SAYS.cylinder(cylinder),
    value === undefined
      ? ''
      : figureOf(finding)?.unit === 'usage'
        ? thousands(value)
        : `${fromStoredFinding(finding, value)} ${findingUnit(finding)}`,
    bank === undefined ? '' : FINDING_SAYS.bank(bank),
    sensor === undefined ? '' : FINDING_SAYS.sensors[sensor],
    where === undefined ? '' : FINDING_SAYS.places[where],
    speed === undefined ? '' : FINDING_SAYS.speed(speed),
    temperature === undefined ? '' : FINDING_SAYS.temperature(temperature)
  ]
    .filter(Boolean)
    .join(', ')
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
      ? READINGS.run(partName(sheet, target.from), partName(sheet, target.to))
      : partName(sheet, part)
  return `${KIND_NAMES[kind]}, ${midSentence(where)}`
}

/** A limit with its unit and where it comes from. */
export function limitWords({ value, unit, source, least, per }: LimitValue): string {
  const shown = unit === 'mm' ? lengthWords(value, 1) : `${withDecimals(String(value))} ${known(unit)}`
  const from = least === undefined ? '' : READINGS.from(least)
  const moves = per ? READINGS.moves(per.value, thousands(per.usage), USAGE_UNITS[per.unit]) : ''
  return `${from}${shown}${moves} (${source})`
}

/** A unit as it stands beside a figure. */
export function unitWords(kind: NumericKind): string {
  const { unit } = READING_KINDS[kind]
  if (isLength(kind)) return units.value.length
  return unit === 'crank degrees' ? READINGS.crankDegrees : known(unit)
}

/** The causes of a tensioner's extension. */
export function causeWords(sheet: DriveSheet, cause: string): string {
  return READINGS.causes[cause] ?? partName(sheet, cause)
}

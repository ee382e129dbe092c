import { meaning } from './says'
import type { Message } from '../../check'
import { camsOf, toothDegreesOf } from '../../drive'
import { NINETY } from '../../math'
import { methodSigma, partOf, type Reading } from '../../readings'
import { compileSheet, type DriveSheet } from '../../sheet'
import type { ExpectedReading } from './expected'

/** A reading on the rebuilt drive: as it was set, or after two full turns by hand. */
export type Round = 'set' | 'turned'

/** One line of the check: what should be read, what was, and whether they agree. */
export interface Check {
  expected: ExpectedReading
  set: Reading | null
  turned: Reading | null
  state: 'open' | 'right' | 'differs'
  /** What a difference can mean. */
  means: Message[]
}

/** Sd beyond which a lag or an extension is not what was expected: one in some hundred sound rebuilds. */
const FAR = 2.6

/**
 * Marks, counts and extension as they stood when set and after two full crank turns, against what the rebuilt drive
 * should show. A count that is off by a half is a miscount as likely as not, but it is not passed.
 */
export function twoTurns(
  sheet: DriveSheet,
  expected: readonly ExpectedReading[],
  readings: readonly { round: string; reading: Reading }[]
): Check[] {
  const last = (round: Round, of: ExpectedReading) =>
    readings.findLast((one) => one.round === round && reads(one.reading, of))?.reading ?? null
  const checks = expected.map((one): Check => {
    const [set, turned] = [last('set', one), last('turned', one)]
    const off = turned ?? set
    const state =
      off && isOff(one, off)
        ? 'differs'
        : turned && !(set && hasMoved(one, set, turned))
          ? 'right'
          : turned
            ? 'differs'
            : 'open'
    return { expected: one, set, turned, state, means: [] }
  })
  return checks.map((check) =>
    check.state === 'differs' ? { ...check, means: meanings(sheet, check, checks) } : check
  )
}

/** Does a reading read what is expected of that target? */
export function reads(reading: Reading, { kind, target, from, to }: ExpectedReading): boolean {
  if (reading.kind !== kind) return false
  return kind === 'linkCount'
    ? reading.chain === target && reading.from === from && reading.to === to
    : partOf(reading) === target
}

function sigmaOf({ kind, method, sigma }: Reading): number {
  return sigma ?? (kind === 'condition' ? 0 : (methodSigma(kind, method) ?? 0))
}

function isOff({ kind, value, within, notches }: ExpectedReading, reading: Reading): boolean {
  if (reading.value === undefined)
    return notches !== undefined && reading.notches !== undefined && Math.abs(reading.notches - notches) > 1
  if (kind === 'linkCount') return reading.value !== value
  return Math.abs(reading.value - value) > FAR * Math.hypot(within / NINETY, sigmaOf(reading))
}

/** Has it moved between setting and turning by more than two readings of the same thing differ? */
function hasMoved({ kind }: ExpectedReading, set: Reading, turned: Reading): boolean {
  if (set.value === undefined || turned.value === undefined) return false
  if (kind === 'linkCount') return set.value !== turned.value
  return Math.abs(turned.value - set.value) > FAR * Math.hypot(sigmaOf(set), sigmaOf(turned))
}

/** What a difference can mean. */
function meanings(sheet: DriveSheet, check: Check, all: readonly Check[]): Message[] {
  const { expected, set, turned } = check
  const read = turned ?? set
  if (!read) return []
  const slipped = set && turned && hasMoved(expected, set, turned) ? [meaning('moved-while-turned')] : []
  return [...slipped, ...meaningsOff(sheet, expected, read, all)]
}

function meaningsOff(sheet: DriveSheet, expected: ExpectedReading, read: Reading, all: readonly Check[]): Message[] {
  if (expected.kind === 'linkCount')
    return [meaning('counts-off', { from: expected.from ?? '', to: expected.to ?? '' })]
  if (expected.kind === 'extension')
    return [meaning((read.value ?? Infinity) < expected.value ? 'too-far-in' : 'too-far-out')]
  const chain = compileSheet(sheet).chainAt(expected.target)
  if (!chain) return []
  const off = (read.value ?? expected.value) - expected.value
  const teeth = Math.round(off / toothDegreesOf(sheet, chain, expected.target))
  if (teeth === 0) return [meaning('less-than-a-tooth', { off })]
  const alike = all.filter(
    (other) => other.expected.kind === 'camLag' && camsOf(sheet, chain).includes(other.expected.target)
  )
  const together = alike.length > 1 && alike.every((other) => other.state === 'differs')
  return [meaning('teeth-off', { teeth, at: together ? null : expected.target })]
}

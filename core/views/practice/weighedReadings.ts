import { assess, type Assessment } from '../../paths'
import { findingWords, isNumeric, methodSigma, READING_KINDS, sameThing } from '../../readings'
import { partKindOf } from '../../sheet'
import { figure, partName } from '../../wording'
import { type Inspection, inspectionsOf } from './inspections'
import { sightOf } from './sight'
import { jobOfStand, type Stand, type StandReading } from './stand'
import type { PracticeCase, SeenFinding } from './types'

/** What one entry of a learner was worth. */
export interface WeighedReading {
  what: string
  minutes: number
  /** What was entered and what was there, in words. */
  entered: string
  shown: string
  misread: boolean
  /** The chains' elongation, ± per cent, before and after; null for what is no figure. */
  narrowed: { from: number; to: number } | null
  /** Calls that it changed. */
  changed: string[]
}

/** What each entry was worth: the estimate and the calls before and after it, in the order they were made. */
export function weighedReadings(engine: PracticeCase, { readings, ...stand }: Stand): WeighedReading[] {
  const inspections = new Map(inspectionsOf(engine.drive).map((one) => [one.id, one]))
  let before = assess(jobOfStand(engine, []))
  return readings.map((entry, i): WeighedReading => {
    const after = assess(jobOfStand(engine, readings.slice(0, i + 1)))
    const inspection = inspections.get(entry.inspection)!
    const { entered, shown, misread } = compared(engine, entry, inspection)
    const told = { narrowed: isNumeric(entry.reading.kind) ? narrowed(before, after) : null, changed: changedCalls(engine, before, after) }
    before = after
    return { what: inspection.title, minutes: Math.round(shareOfMinutes(inspection, stand.looks, readings)), entered, shown, misread, ...told }
  })
}

/** Minutes of an inspection shared among what was entered of it. */
function shareOfMinutes({ id, minutes }: Inspection, looks: Stand['looks'], readings: readonly StandReading[]): number {
  return (minutes * (looks.get(id) ?? 1)) / readings.filter(({ inspection }) => inspection === id).length
}

/** What was entered against what was to be seen then. A figure off by more than the method allows was misread. */
function compared(engine: PracticeCase, { reading, attempt, turnedForward }: StandReading, inspection: Inspection): Pick<WeighedReading, 'entered' | 'shown' | 'misread'> {
  const sight = sightOf(engine, inspection, { attempt, turnedForward })
  if (!isNumeric(reading.kind)) {
    const there = sight.findings.find(({ target, finding }) => target === reading.target && finding === reading.finding)
    const words = ({ target, finding, count }: Partial<SeenFinding>) => `${findingWords(partKindOf(engine.drive, target!)!, finding!)}${count === undefined ? '' : `, ${count}`}`
    return { entered: words(reading), shown: there ? words(there) : 'not so', misread: !there || (there.count ?? 1) !== (reading.count ?? 1) }
  }
  const place = inspection.reads.findIndex((asked) => sameThing(asked, reading))
  const seen = sight.figures[place] ?? NaN
  const value = reading.notches ?? reading.value ?? NaN
  const allowed = reading.notches === undefined ? (methodSigma(reading.kind, reading.method) ?? 0) : 0
  const unit = reading.notches === undefined ? READING_KINDS[reading.kind].unit : 'notches'
  return { entered: `${figure(value, 1)} ${unit}`, shown: `${figure(seen, 1)} ${unit}`, misread: !(Math.abs(value - seen) <= allowed) }
}

/** The widest elongation interval before and after, as ± per cent. */
function narrowed(before: Assessment, after: Assessment): { from: number; to: number } {
  const [from, to] = [before, after].map(({ chains }) => Math.max(...Object.values(chains).map(({ elongation }) => 100 * elongation.sd))) as [number, number]
  return { from, to }
}

function changedCalls({ drive }: PracticeCase, before: Assessment, after: Assessment): string[] {
  return after.calls.filter(({ part, call }) => before.calls.find((other) => other.part === part)?.call !== call && call !== 'look-closer').map(({ part }) => partName(drive, part))
}

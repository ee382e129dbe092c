import type { LookedAtFigures } from './says'
import { assess, type Assessment } from '../../paths'
import { figureOf, READING_KINDS, isNumeric, methodSigma, isSameThing, type Of, type Reading } from '../../readings'
import { partKindOf, type PartKind } from '../../sheet'
import { type Inspection, inspectionsOf } from './inspections'
import { sightOf } from './sight'
import { jobOfStand, type Stand, type StandReading } from './stand'
import type { PracticeCase } from './types'

/** What one entry of a learner was worth. */
/**
 * An entry as it was written or as it was there: a figure with its unit, or a finding, or as an older version told it;
 * `null` where nothing of it was there.
 */
export type Shown =
  | { readonly value: number; readonly unit: string }
  | { readonly kind: PartKind; readonly finding: string; readonly count: number | null }
  | { readonly told: string }
  | null

export interface WeighedReading {
  /** The inspection it was read from. */
  what: LookedAtFigures
  minutes: number
  entered: Shown
  shown: Shown
  misread: boolean
  /** The chains' elongation, ± per cent, before and after; null for what is no figure. */
  narrowed: { from: number; to: number } | null
  /** Parts whose calls it changed. */
  changed: string[]
}

/** What each entry was worth: the estimate and the calls before and after it, in the order they were made. */
export function weighedReadings(engine: PracticeCase, { readings, ...stand }: Stand): WeighedReading[] {
  const inspections = new Map(inspectionsOf(engine.drive).map((one) => [one.id, one]))
  let before = assess(jobOfStand(engine, []))
  return readings.map((entry, i): WeighedReading => {
    const after = assess(jobOfStand(engine, readings.slice(0, i + 1)))
    const inspection = inspections.get(entry.inspection)
    if (!inspection) throw new RangeError(`inspection ${entry.inspection}: expected one of this engine`)
    const { entered, shown, misread } = compareWithSight(engine, entry, inspection)
    const told = {
      narrowed: isNumeric(entry.reading.kind) ? narrowBetween(before, after) : null,
      changed: changedCalls(before, after)
    }
    before = after
    return {
      what: lookedAt(inspection),
      minutes: Math.round(shareOfMinutes(inspection, stand.looks, readings)),
      entered,
      shown,
      misread,
      ...told
    }
  })
}

/** What an inspection is of, for who tells of it. */
export function lookedAt({ kind, part, reads }: Inspection): LookedAtFigures {
  return { kind, part, links: reads[0]?.links ?? 0 }
}

/** Minutes of an inspection shared among what was entered of it. */
function shareOfMinutes({ id, minutes }: Inspection, looks: Stand['looks'], readings: readonly StandReading[]): number {
  return (minutes * (looks.get(id) ?? 1)) / readings.filter(({ inspection }) => inspection === id).length
}

/** What was entered against what was to be seen then. A figure off by more than the method allows was misread. */
function compareWithSight(
  engine: PracticeCase,
  { reading, attempt, turnedForward }: StandReading,
  inspection: Inspection
): Pick<WeighedReading, 'entered' | 'shown' | 'misread'> {
  const sight = sightOf(engine, inspection, { attempt, turnedForward })
  if (!isNumeric(reading.kind) && reading.value === undefined) {
    const { target, finding, count } = reading as Of<'condition'>
    const there = sight.findings.find((seen) => seen.target === target && seen.finding === finding)
    const shown = (one: { count?: number | undefined }): Shown => ({
      kind: partKindOf(engine.drive, target) ?? 'engine',
      finding,
      count: one.count ?? null
    })
    return {
      entered: shown(reading),
      shown: there ? shown(there) : null,
      misread: !there || (there.count ?? 1) !== (count ?? 1)
    }
  }
  const place = inspection.reads.findIndex((asked) => isSameThing(asked, reading))
  const seen = sight.figures[place] ?? NaN
  const value = reading.notches ?? reading.value ?? NaN
  const { allowed, unit } = readAs(reading)
  return { entered: { value, unit }, shown: { value: seen, unit }, misread: !(Math.abs(value - seen) <= allowed) }
}

/** How far off an entry may be, and its unit. */
function readAs(reading: Reading): { allowed: number; unit: string } {
  if (reading.kind === 'condition') {
    const spec = figureOf(reading.finding)
    return { allowed: MISREAD * (reading.value ?? 0), unit: spec?.unit ?? '' }
  }
  if (reading.notches !== undefined) return { allowed: 0, unit: 'notches' }
  return { allowed: methodSigma(reading.kind, reading.method) ?? 0, unit: READING_KINDS[reading.kind].unit }
}

/** Share of its figure by which a reading off a meter or gauge may differ. */
const MISREAD = 0.05

/** The widest elongation interval before and after, as ± per cent. */
function narrowBetween(before: Assessment, after: Assessment): { from: number; to: number } {
  const [from, to] = [before, after].map(({ chains }) =>
    Math.max(...Object.values(chains).map(({ elongation }) => 100 * elongation.sd))
  ) as [number, number]
  return { from, to }
}

function changedCalls(before: Assessment, after: Assessment): string[] {
  return after.calls
    .filter(
      ({ part, call }) => before.calls.find((other) => other.part === part)?.call !== call && call !== 'look-closer'
    )
    .map(({ part }) => part)
}

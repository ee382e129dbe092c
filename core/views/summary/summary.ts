import { type Act, foldActs, heldCalls, jobFile, type JobRecord, type KeptJob, type WaitsFor } from '../../record'
import { type Call, SEVERITY } from '../../calls'
import { type ElongationEstimate, isReading, travelEndsAt } from '../../estimate'
import { fittedIn } from './fitted'
import { calibrationOf, type CalibrationPoint } from './calibration'
import { compileSheet, limitFor, type DriveSheet, type LimitKind, type LimitValue } from '../../sheet'
import { assess, type Assessment } from '../../paths'
import { NINETY } from '../../math'
import type { JobFile, NumericKind, Usage } from '../../readings'

/** One measure of a part as a job left it: an estimate with its 90 % interval. */
export interface Measure {
  kind: 'elongation' | 'extension' | 'groove'
  /** Id and name of the chain, tensioner or rail. */
  part: string
  name: string
  /** Per cent for an elongation, mm for the others. */
  value: number
  low: number
  high: number
  /** In the measure's unit. */
  sd: number
  limit: LimitValue | null
  /**
   * Of a chain: per cent of elongation at which its tensioner's travel ends, wear going on as it did; null when it
   * never does.
   */
  travelEnd?: number | null
}

/** What lists show of a job. */
export interface JobSummary {
  /** The engine: id and name of the drive sheet in force. */
  sheet: { id: string; name: string }
  /** What stood on the clock, where that was put right; absent from one that an earlier version made. */
  usage?: Usage
  readings: number
  /** The most stretched chain: fractions, the limit in per cent. */
  elongation: ElongationEstimate & { name: string; limit: LimitValue | null }
  /** How many parts have each call, the severest first. */
  calls: { call: Call; parts: number }[]
  /** The reading that would tell most, as kind and target's name. */
  next: { kind: NumericKind; part: string } | null
  waits: { for: WaitsFor; note: string; since: string } | null
  /** When it is looked at again. */
  check: { date: string | null; usage: number | null; stopGap: boolean; note: string } | null
  /** What was measured, not merely assumed. */
  measures: Measure[]
  /** Chains measured on the bench, against what the other readings said of them. */
  calibration: CalibrationPoint[]
  /** Hours that operations took, as somebody noted; absent from one that an earlier version made. */
  took?: { operation: string; name: string; onSheet: number; hours: number }[]
  /** Components fitted new in this job. */
  renewed: string[]
  /** The call that holds on each part. */
  partCalls: { [part: string]: Call }
  lastAt: string
  lastBy: string
}

/** What a job comes to, in the few figures that lists show. */
export function summarise(job: KeptJob, acts: readonly Act[]): JobSummary {
  const record = foldActs(acts, job.school)
  const file = jobFile(job, acts)
  const sheet = file.drive
  const assessment = assess(file)
  const next = assessment.next.find(isReading)
  const last = acts.at(-1)
  return {
    sheet: { id: sheet.id, name: sheet.name },
    usage: file.usage,
    readings: record.readings.length,
    elongation: longest(sheet, assessment),
    calls: SEVERITY.toReversed()
      .map((call) => ({ call, parts: assessment.calls.filter((c) => c.call === call).length }))
      .filter(({ parts }) => parts > 0),
    next: next ? { kind: next.kind, part: compileSheet(sheet).nameOf(next.target) ?? next.target } : null,
    waits: record.waits ? { for: record.waits.for, note: record.waits.note ?? '', since: record.waits.at } : null,
    check: record.check
      ? {
          date: record.check.date ?? null,
          usage: record.check.usage ?? null,
          stopGap: record.check.stopGap,
          note: record.check.note ?? ''
        }
      : null,
    measures: measuresOf(file, assessment, record),
    calibration: calibrationOf(job, acts),
    took: tookIn(sheet, record),
    renewed: fittedIn(record),
    partCalls: Object.fromEntries(
      heldCalls(assessment.calls, record.overrules).map(({ part, holds }) => [part, holds])
    ),
    lastAt: last?.at ?? job.openedAt,
    lastBy: last?.by ?? job.openedBy
  }
}

/** Task under which the hours of an operation are noted. */
export const hoursTask = (operation: string) => `hours:${operation}`

function tookIn({ operations = [] }: DriveSheet, { tasks }: JobRecord): NonNullable<JobSummary['took']> {
  return operations.flatMap(({ id, name, hours: onSheet }) => {
    const noted = tasks.get(hoursTask(id))
    return noted?.state === 'done' && noted.value !== undefined
      ? [{ operation: id, name, onSheet, hours: noted.value }]
      : []
  })
}

function longest(sheet: DriveSheet, { chains }: Assessment): JobSummary['elongation'] {
  const [id, { elongation }] = Object.entries(chains).reduce((a, b) =>
    b[1].elongation.mean > a[1].elongation.mean ? b : a
  )
  return { ...elongation, name: compileSheet(sheet).nameOf(id) ?? id, limit: limitFor(sheet, 'elongation', id) }
}

/** Elongation of chains that anything bears on, and each extension and groove that was read. */
export function measuresOf(file: JobFile, assessment: Assessment, { readings }: JobRecord): Measure[] {
  const sheet = file.drive
  const limit = (kind: LimitKind, part: string) => limitFor(sheet, kind, part)
  const chains = sheet.chains
    .filter(({ id }) => assessment.chains[id]!.readings.length > 0)
    .map(({ id, name }): Measure => {
      const { mean, low, high, sd } = assessment.chains[id]!.elongation
      return {
        kind: 'elongation',
        part: id,
        name,
        value: 100 * mean,
        low: 100 * low,
        high: 100 * high,
        sd: 100 * sd,
        limit: limit('elongation', id),
        travelEnd: inPercent(travelEndsAt(file, assessment, id))
      }
    })
  const rails = sheet.rails
    .filter(({ id }) => readings.some((r) => r.kind === 'groove' && r.rail === id))
    .map(({ id, name }): Measure => {
      const { mean, low, high, sd } = assessment.rails[id]!.wear
      return { kind: 'groove', part: id, name, value: mean, low, high, sd, limit: limit('groove', id) }
    })
  const tensioners = sheet.tensioners.flatMap((tensioner): Measure[] => {
    const { read, sd } = assessment.tensioners[tensioner.id]!.extension
    return read === null
      ? []
      : [
          {
            kind: 'extension',
            part: tensioner.id,
            name: tensioner.name,
            value: read,
            low: read - NINETY * sd,
            high: read + NINETY * sd,
            sd,
            limit: tensioner.limit ?? null
          }
        ]
  })
  return [...chains, ...tensioners, ...rails]
}

function inPercent(fraction: number | null): number | null {
  return fraction === null ? null : 100 * fraction
}

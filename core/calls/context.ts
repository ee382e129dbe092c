import type { Estimates, ReadingEstimate } from '../estimate'
import { atUsage, type JobFile, type KnownReading, partOf, type ReadingKind } from '../readings'
import { type CompiledSheet, compileSheet, type LimitValue } from '../sheet'
import { type SchoolRules, schoolRules } from './schools'
import type { Call, ReasonLimit } from './types'

/** What the rules look at. */
export interface RuleContext {
  job: JobFile
  sheet: CompiledSheet
  /** The job's readings by their ids, and what the estimate says of each. */
  readings: ReadonlyMap<string, KnownReading>
  estimated: ReadonlyMap<string, ReadingEstimate>
  /** Readings that the estimate left out. */
  leftOut: ReadonlySet<string>
  estimates: Estimates
  school: SchoolRules
}

export function contextOf(asRead: JobFile, estimates: Estimates): RuleContext {
  const job = atUsage(asRead)
  return {
    job,
    estimates,
    sheet: compileSheet(job.drive),
    readings: new Map(job.readings.map((reading) => [reading.id, reading])),
    estimated: new Map(estimates.readings.map((one) => [one.id, one])),
    leftOut: new Set(estimates.faults.map(({ id }) => id)),
    school: schoolRules(job.school, (job.drive.parts?.length ?? 0) > 0)
  }
}

/** The call that odds of being past a limit make under a school. */
export function callFor({ school }: RuleContext, overLimit: number): Call {
  if (overLimit >= school.renewFrom) return 'renew'
  return overLimit <= school.backInUpTo ? 'back-in' : 'look-closer'
}

/** The readings that the estimate of a chain used, of these kinds and (where given) on this part. */
export function readingsBehind<K extends ReadingKind>(
  { estimates, readings }: RuleContext,
  chain: string,
  kinds: readonly K[],
  part?: string
): Extract<KnownReading, { kind: K }>[] {
  return (estimates.chains[chain]?.readings ?? []).flatMap((id) => {
    const reading = readings.get(id)
    const mine =
      reading &&
      (kinds as readonly ReadingKind[]).includes(reading.kind) &&
      (part === undefined || partOf(reading) === part)
    return mine ? [reading as Extract<KnownReading, { kind: K }>] : []
  })
}

export function idsOf(readings: readonly KnownReading[]): string[] {
  return readings.map(({ id }) => id)
}

/** Ids of readings in the order in which the job holds them. */
export function inOrder({ readings }: RuleContext, ids: readonly string[]): string[] {
  const wanted = new Set(ids)
  return [...readings.keys()].filter((id) => wanted.has(id))
}

/** Does a reading contradict the others? */
export function isAtOdds({ estimated }: RuleContext, id: string): boolean {
  return estimated.get(id)?.atOdds ?? false
}

/** A limit as a reason shows it. */
export function shownLimit(kind: string, limit: LimitValue | null | undefined): ReasonLimit | null {
  return limit ? { kind, value: limit.value, unit: limit.unit, source: limit.source } : null
}

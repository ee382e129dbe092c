import type { Estimates } from '../estimate'
import { type JobFile, partOf, type ReadingKind } from '../readings'
import { schoolRules, type SchoolRules } from './schools'
import type { LimitValue } from '../sheet'
import type { Call, ReasonLimit } from './types'

/** What the rules look at. */
export interface RuleContext {
  job: JobFile
  estimates: Estimates
  school: SchoolRules
}

export function contextOf(job: JobFile, estimates: Estimates): RuleContext {
  return { job, estimates, school: schoolRules(job.school, (job.drive.parts?.length ?? 0) > 0) }
}

/** The call that odds of being past a limit make under a school. */
export function callFor({ school }: RuleContext, overLimit: number): Call {
  if (overLimit >= school.renewFrom) return 'renew'
  return overLimit <= school.backInUpTo ? 'back-in' : 'look-closer'
}

/** Indices of the readings that the estimate used, of these kinds and (where given) on this part. */
export function readingsBehind({ job, estimates }: RuleContext, chain: string, kinds: readonly ReadingKind[], part?: string): number[] {
  return (estimates.chains[chain]?.readings ?? []).filter((index) => {
    const reading = job.readings[index]!
    return kinds.includes(reading.kind) && (part === undefined || partOf(reading) === part)
  })
}

/** A limit as a reason shows it. */
export function shownLimit(kind: string, limit: LimitValue | null | undefined): ReasonLimit | null {
  return limit ? { kind, value: limit.value, unit: limit.unit, source: limit.source } : null
}

import type { Estimates } from '../../estimate'
import type { JobFile, School } from '../../readings'
import { type Call, makeCalls, type PartCall, SCHOOLS } from '../../calls'
import { weighed } from '../../paths'

/** What another school would do otherwise, part by part, and why. */
export interface SchoolDifference {
  school: School
  changes: { part: string; here: Call | null; there: Call | null; why: string }[]
}

/** The same readings under the schools that the job is not judged under. */
export function otherSchools(job: JobFile, estimates: Estimates, here: readonly PartCall[]): SchoolDifference[] {
  return (Object.keys(SCHOOLS) as School[]).filter((school) => school !== job.school).map((school) => {
    const there = makeCalls({ ...job, school }, estimates, weighed)
    const parts = [...new Set([...here, ...there].map(({ part }) => part))]
    const changes = parts.flatMap((part) => {
      const [a, b] = [here, there].map((calls) => calls.find((call) => call.part === part))
      if (a?.call === b?.call) return []
      // The reason that makes the call there; where nothing does, the one that no longer holds.
      return [{ part, here: a?.call ?? null, there: b?.call ?? null, why: b?.reasons[0]?.text ?? `${SCHOOLS[school].name} does not hold: ${a!.reasons[0]!.text}` }]
    })
    return { school, changes }
  })
}

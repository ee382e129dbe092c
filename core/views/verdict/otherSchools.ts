import type { Message } from '../../check'
import type { Estimates } from '../../estimate'
import type { JobFile, School } from '../../readings'
import { type Call, makeCalls, type PartCall, SCHOOLS } from '../../calls'
import { weighFindings } from '../../paths'

/**
 * What another school would do otherwise, part by part, and why: by the reason that makes the call there, or the one
 * that does not hold there.
 */
export interface SchoolDifference {
  school: School
  changes: { part: string; here: Call | null; there: Call | null; why: Message; holds: boolean }[]
}

/** The same readings under the schools that the job is not judged under. */
export function otherSchools(job: JobFile, estimates: Estimates, here: readonly PartCall[]): SchoolDifference[] {
  return (Object.keys(SCHOOLS) as School[])
    .filter((school) => school !== job.school)
    .map((school) => {
      const there = makeCalls({ ...job, school }, estimates, weighFindings)
      const parts = [...new Set([...here, ...there].map(({ part }) => part))]
      const changes = parts.flatMap((part) => {
        const [a, b] = [here, there].map((calls) => calls.find((call) => call.part === part))
        if (a?.call === b?.call) return []
        const [there0, here0] = [b?.reasons[0], a?.reasons[0]]
        const why = there0 ?? here0
        return why
          ? [
              {
                part,
                here: a?.call ?? null,
                there: b?.call ?? null,
                why: { code: why.code, figures: why.figures },
                holds: there0 !== undefined
              }
            ]
          : []
      })
      return { school, changes }
    })
}

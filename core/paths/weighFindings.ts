import { compileSheet } from '../sheet'
import { assumptionsOf, cheapest } from './cheapest'
import { closeOver } from './scorePaths'
import { ridersOf, sayReason, type Finding, type RuleContext } from '../calls'

/** Does a sheet say what parts and hours cost? */
export function isPriced({ job }: RuleContext): boolean {
  return (job.drive.parts?.length ?? 0) > 0
}

/**
 * The weighed school: of all sets of renewals that hold what the evidence condemns, the one whose expected cost over
 * the horizon is least. Without prices on the sheet parts are weighed by odds alone, and that is said.
 */
export function weighFindings(context: RuleContext, found: readonly Finding[]): Finding[] {
  const { job, estimates, school } = context
  if (school.id !== 'weighed') return []
  if (!isPriced(context)) {
    return job.drive.chains.map(({ id }) => ({
      part: id,
      rule: 'weighed-by-odds',
      call: 'back-in',
      ...sayReason('weighed-by-odds'),
      readings: [],
      limit: null
    }))
  }
  const condemned = new Set(found.filter(({ call }) => call === 'renew').map(({ part }) => part))
  const assumptions = assumptionsOf(job)
  const { ledger, score, best, forced } = cheapest(job, estimates, condemned, coupledTo(context), assumptions)
  const least = score(best).expected
  const over = { currency: job.drive.money?.currency ?? '', horizon: assumptions.horizon, unit: job.usage.unit }
  return ledger.parts.flatMap(({ fits }, i): Finding[] => {
    const bit = 1 << i
    const base = { part: fits, rule: 'weighed', readings: [], limit: null }
    // What is condemned, or comes with something that is renewed, has its reason already.
    if (closeOver(ledger, forced) & bit || closeOver(ledger, best & ~bit) & bit) return []
    if (best & bit)
      return [
        {
          ...base,
          call: 'renew',
          ...sayReason('weighed-renew', { saves: score(best & ~bit).expected - least, ...over })
        }
      ]
    // A part of which nothing is known is not passed for being cheap to keep.
    if (!found.some(({ part }) => part === fits)) return []
    return [
      {
        ...base,
        call: 'back-in',
        ...sayReason('weighed-keep', { saves: score(closeOver(ledger, best | bit)).expected - least, ...over })
      }
    ]
  })
}

/** What a component's renewal brings with it: a new chain its rails and tensioner. */
export function coupledTo({ job }: RuleContext): (component: string) => string[] {
  return (component) => {
    const chain = compileSheet(job.drive).chains.get(component)
    return chain ? ridersOf(job.drive, chain) : []
  }
}

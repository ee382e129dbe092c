import { assumptionsOf, cheapest } from './cheapest'
import { closed } from './score'
import { type Finding, ridersOf, type RuleContext } from '../calls'

/** Does a sheet say what parts and hours cost? */
export function isPriced({ job }: RuleContext): boolean {
  return (job.drive.parts?.length ?? 0) > 0
}

/**
 * The weighed school: of all sets of renewals that hold what the evidence condemns, the one whose expected cost over the
 * horizon is least. Without prices on the sheet parts are weighed by odds alone, and that is said.
 */
export function weighed(context: RuleContext, found: readonly Finding[]): Finding[] {
  const { job, estimates, school } = context
  if (school.id !== 'weighed') return []
  if (!isPriced(context)) {
    return job.drive.chains.map(({ id }) => ({ part: id, rule: 'weighed-by-odds', call: 'back-in', text: 'Weighed by odds alone: the sheet has no prices or hours to weigh.', readings: [], limit: null }))
  }
  const condemned = new Set(found.filter(({ call }) => call === 'renew').map(({ part }) => part))
  const assumptions = assumptionsOf(job)
  const { ledger, score, best, forced } = cheapest(job, estimates, condemned, coupledTo(context), assumptions)
  const least = score(best).expected
  const over = `over ${assumptions.horizon} ${job.usage.unit}`
  return ledger.parts.flatMap(({ fits }, i): Finding[] => {
    const bit = 1 << i
    const base = { part: fits, rule: 'weighed', readings: [], limit: null }
    // What is condemned, or comes with something that is renewed, has its reason already.
    if (closed(ledger, forced) & bit || closed(ledger, best & ~bit) & bit) return []
    const money = (amount: number) => `${Math.round(amount)}${job.drive.money ? ` ${job.drive.money.currency}` : ''}`
    if (best & bit) return [{ ...base, call: 'renew', text: `Weighed: with the access paid, renewing it saves an expected ${money(score(best & ~bit).expected - least)} ${over}.` }]
    // A part of which nothing is known is not passed for being cheap to keep.
    if (!found.some(({ part }) => part === fits)) return []
    return [{ ...base, call: 'back-in', text: `Weighed: keeping it saves an expected ${money(score(closed(ledger, best | bit)).expected - least)} ${over}.` }]
  })
}

/** What a component's renewal brings with it: a new chain its rails and tensioner. */
export function coupledTo({ job }: RuleContext): (component: string) => string[] {
  return (component) => {
    const chain = job.drive.chains.find(({ id }) => id === component)
    return chain ? ridersOf(job.drive, chain) : []
  }
}

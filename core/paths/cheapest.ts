import type { Estimates } from '../estimate/estimate'
import type { JobFile } from '../job/types'
import { defaultAssumptions, type Assumptions } from './assumptions'
import { allowedSets, ledgerOf, maskOf, scorer, type Cost, type Ledger } from './score'

/** The cheapest set of renewals by expected cost, with what it was found from. */
export interface Cheapest {
  ledger: Ledger
  score: (mask: number) => Cost
  forced: number
  sets: number[]
  best: number
}

/** A job's assumptions: the sheet's and unit's defaults, with the horizon the customer named. */
export function assumptionsOf(job: JobFile, changes: Partial<Assumptions> = {}): Assumptions {
  return { ...defaultAssumptions(job.drive, job.usage.unit), ...(job.horizon === undefined ? {} : { horizon: job.horizon }), ...changes }
}

/**
 * Scores every allowed set and picks the cheapest expected; of two alike, the one that renews less.
 * @param forced components that must be renewed
 * @param coupled parts that a component's renewal brings with it
 */
export function cheapest(job: JobFile, estimates: Estimates, forced: Iterable<string>, coupled: (component: string) => readonly string[], assumptions: Assumptions): Cheapest {
  const ledger = ledgerOf(job, estimates, assumptions, coupled)
  const score = scorer(ledger)
  const forcedMask = maskOf(ledger, forced)
  const sets = allowedSets(ledger, forcedMask)
  let best = sets[0]!
  let least = score(best).expected
  for (const mask of sets) {
    const { expected } = score(mask)
    if (expected < least - 1e-9) [best, least] = [mask, expected]
  }
  return { ledger, score, forced: forcedMask, sets, best }
}

import type { Estimates } from '../estimate'
import type { JobFile } from '../readings'
import { type Assumptions, defaultAssumptions } from './assumptions'
import { priceJob } from './pricing'
import { allowedSets, type Cost, type Ledger, ledgerOf, maskOf, scorer } from './scorePaths'

/** The cheapest set of renewals by expected cost, with what it was found from. */
export interface Cheapest {
  ledger: Ledger
  score: (mask: number) => Cost
  forced: number
  sets: number[]
  best: number
}

/** Told how much of the sets is scored, 0 to 1. */
export type Progress = (done: number) => void

const TOLD_EVERY = 1024

/** A job's assumptions: the sheet's and unit's defaults, with what shop and job say otherwise. */
export function assumptionsOf(job: JobFile, changes: Partial<Assumptions> = {}): Assumptions {
  const { hourRate, horizon = job.horizon, newPart, damage } = job.pricing ?? {}
  const said = Object.entries({ hourRate, horizon, newPart, damage }).filter(([, value]) => value !== undefined)
  return { ...defaultAssumptions(job.drive, job.usage.unit), ...Object.fromEntries(said), ...changes }
}

/**
 * Scores every allowed set and picks the cheapest expected; of two alike, the one that renews less.
 * @param forced components that must be renewed
 * @param coupled parts that a component's renewal brings with it
 */
export function cheapest(
  job: JobFile,
  estimates: Estimates,
  forced: Iterable<string>,
  coupled: (component: string) => readonly string[],
  assumptions: Assumptions,
  progress: Progress = () => undefined
): Cheapest {
  const ledger = ledgerOf(priceJob(job), estimates, assumptions, coupled)
  const score = scorer(ledger)
  const forcedMask = maskOf(ledger, forced)
  const sets = allowedSets(ledger, forcedMask)
  let best = sets[0]!
  let least = score(best).expected
  for (const [i, mask] of sets.entries()) {
    if (i % TOLD_EVERY === 0) progress(i / sets.length)
    const { expected } = score(mask)
    if (expected < least - 1e-9) [best, least] = [mask, expected]
  }
  return { ledger, score, forced: forcedMask, sets, best }
}

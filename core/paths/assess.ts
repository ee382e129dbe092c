import type { Assessment } from './assessment'
import { makeCalls, type PartCall } from '../calls'
import { estimate, type NextReading, PRIORS, type Priors, savingMost } from '../estimate'
import { stakesOf } from './stakes'
import { weighFindings } from './weighFindings'
import type { JobFile } from '../readings'
import { roundFigures } from '../math'

/**
 * Assesses a job: what its readings mean, and a call for every part. The same job always gives the same assessment.
 * @param job checked by readJob
 * @example assess(readJob(JSON.parse(text)).job).chains.main.elongation.mean // 0.0042
 */
export function assess(job: JobFile, priors: Priors = PRIORS): Assessment {
  const stakes = stakesOf(job)
  const estimates = estimate(job, priors, stakes)
  const calls = makeCalls(job, estimates, weighFindings)
  const next = stillAsked(estimates.next, calls)
  return roundFigures({
    format: 'umbrette-assessment' as const,
    version: 2 as const,
    ...estimates,
    next,
    calls,
    decision: {
      loss: estimates.loss ?? 0,
      minute: stakes.minute,
      currency: stakes.currency,
      enough: !next.some(({ worth = 0, minutes }) => worth > minutes * stakes.minute)
    }
  })
}

/** Figures of one part that say nothing of others. */
export const OF_ITSELF: ReadonlySet<string> = new Set([
  'groove',
  'padWear',
  'phaserPlay',
  'chainLength',
  'chainCompare'
])

/** A condemned part is asked nothing more. */
function stillAsked(next: readonly NextReading[], calls: readonly PartCall[]): NextReading[] {
  const condemned = condemnedIn(calls)
  return next
    .filter(({ kind, target }) => !OF_ITSELF.has(kind) || !condemned.has(target))
    .map((one) => ({ ...one, worth: Math.max(0, (one.worth ?? 0) - savedOn(one, condemned)) }))
    .sort(savingMost)
}

/** Parts that the evidence condemns, or that come with another that it does. */
export function condemnedIn(calls: readonly PartCall[]): Set<string> {
  return new Set(calls.filter(({ reasons }) => reasons.some(condemns)).map(({ part }) => part))
}

/** What a reading would save on parts that are decided without it. */
function savedOn({ settles }: NextReading, condemned: ReadonlySet<string>): number {
  return settles.reduce((sum, { part, saved = 0 }) => sum + (condemned.has(part) ? saved : 0), 0)
}

function condemns({ call, rule }: PartCall['reasons'][number]): boolean {
  return call === 'renew' && !OF_SCHOOLS.has(rule)
}

/** Renewed by how a school goes about it, not by evidence: a reading may still change that. */
const OF_SCHOOLS: ReadonlySet<string> = new Set(['whole-set', 'weighed'])

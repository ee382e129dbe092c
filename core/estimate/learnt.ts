import { handMethodOf, type LearntPriors, type Reading } from '../readings'
import type { Priors } from './priors'

/** Priors with what a workshop has learnt of a type of engine in place of the defaults. */
export function withLearnt(priors: Priors, learnt: LearntPriors | null | undefined): Priors {
  if (!learnt) return priors
  const { elongation, wear, padWear, extensionScatter, lagScatter, people } = learnt
  const said = Object.entries({ elongation, wear, padWear, extensionScatter, lagScatter })
  const errors = new Map((people ?? []).map(({ by, what, times }) => [`${what} ${by}`, times]))
  return {
    ...priors,
    ...Object.fromEntries(said.filter(([, value]) => value !== undefined)),
    ...(errors.size > 0
      ? { error: (reading: Reading) => errors.get(`${handMethodOf(reading)} ${reading.by ?? ''}`) ?? 1 }
      : {})
  }
}

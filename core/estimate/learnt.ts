import { handMethodOf, type LearntPriors, type Reading } from '../readings'
import type { Priors, Tail } from './priors'

/** Priors with what a workshop has learnt of a type of engine in place of the defaults. */
export function withLearnt(priors: Priors, learnt: LearntPriors | null | undefined): Priors {
  if (!learnt) return priors
  const { elongation, wear, padWear, extensionScatter, lagScatter, people } = learnt
  const said = Object.entries({ elongation, wear, padWear, extensionScatter, lagScatter })
  const errors = new Map((people ?? []).map(({ by, what, times }) => [`${what} ${by}`, times]))
  const wide = (figure: 'elongation' | 'wear' | 'padWear') => widened(priors, figure, learnt[figure])
  return {
    ...priors,
    ...Object.fromEntries(said.filter(([, value]) => value !== undefined)),
    tails: { elongation: wide('elongation'), wear: wide('wear'), padWear: wide('padWear') },
    ...(errors.size > 0
      ? { error: (reading: Reading) => errors.get(`${handMethodOf(reading)} ${reading.by ?? ''}`) ?? 1 }
      : {})
  }
}

/** However healthy a fleet is: one that is worn through is worn as far as anywhere else. */
function widened(priors: Priors, figure: 'elongation' | 'wear' | 'padWear', own: number | undefined): Tail {
  const { share, times } = priors.tails[figure]
  return { share, times: own === undefined || own >= priors[figure] ? times : (times * priors[figure]) / own }
}

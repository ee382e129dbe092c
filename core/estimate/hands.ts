import { groupBy } from '../math'
import { handOf, sharedVariance } from '../readings'
import type { Observation } from './observation'
import type { Priors } from './priors'
import { seatsOf } from './seats'
import type { Problem, Train } from './trainProblem'

/**
 * Hands that are unknowns of their own; more of them would weigh down the estimate of a job that repeats everything.
 */
const MOST_HANDS = 30

/**
 * A train with what was read on it. What several readings by one hand share is an unknown of its own behind the
 * train's: its prior is the hand's sd, and each of them has only the rest of its variance to itself. The hands with the
 * fewest readings, where there are very many, take the other way to the same posterior: n readings of one thing, each
 * of variance own + n·shared, come to a mean of variance own/n + shared; which of them is wrong is then told less
 * sharply.
 */
export function problemOf(train: Train, observations: readonly Observation[], priors: Priors): Problem {
  const hands = groupBy(observations, ({ reading }) => (reading ? handOf(reading) : ''))
  const [scale, bounded] = [train.scale.slice(), train.bounded.slice()]
  const changed = new Map<Observation, Pick<Observation, 'sigma' | 'hand'>>()
  const repeated = [...hands.values()].filter((mine) => mine.length > 1).sort((a, b) => b.length - a.length)
  repeated.forEach((mine, place) => {
    const shared = sharedVariance(mine)
    const isUnknown = place < MOST_HANDS
    for (const one of mine) {
      const variance = one.whole ** 2 + (isUnknown ? -1 : mine.length - 1) * shared
      changed.set(one, { sigma: Math.sqrt(variance), hand: isUnknown ? scale.length : null })
    }
    if (!isUnknown) return
    scale.push(Math.sqrt(shared))
    bounded.push(null)
  })
  const read = observations.map((one) => ({ ...one, ...changed.get(one) }))
  return {
    ...train,
    scale,
    bounded,
    observations: [...read, ...seatsOf(train, observations, priors)],
    read: read.length
  }
}

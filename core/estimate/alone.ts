import type { Observation } from './observation'

/** Does no other reading bear on what this one tells of? */
export function isAlone(observations: readonly Observation[], one: Observation): boolean {
  return !observations.some((other) => other !== one && isRelated(one, other))
}

/** Lags and extensions tell of everything on their chain; the others of their own wear, or of the teeth they see. */
function isRelated(one: Observation, other: Observation): boolean {
  if (one.teeth.some((t, cam) => t !== 0 && other.teeth[cam] !== 0)) return true
  if (one.quantity.of === 'count' || other.quantity.of === 'count' || one.part !== other.part) return false
  return (
    isOfAll(one) ||
    isOfAll(other) ||
    (one.quantity.of === other.quantity.of &&
      (one.quantity.of !== 'wear' || (other.quantity.of === 'wear' && one.quantity.rail === other.quantity.rail)))
  )
}

function isOfAll({ quantity: { of } }: Observation): boolean {
  return of === 'lag' || of === 'extension'
}

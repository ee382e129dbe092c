import { methodOf, methodSigma, type NumericKind, READING_KINDS, type KnownReading } from '../readings'

/** A reading that lies past a limit, taken with a method that another of its kind tells better. */
export interface CoarsePast {
  value: number
  method: string
  finer: string
}

/**
 * The coarse reading that lies furthest past a limit: where one does, its part is looked at with the finer method
 * before it is passed on the strength of what is usual; null without one.
 * @param limit in the unit of the readings' kind
 */
export function coarsePast(readings: readonly KnownReading[], kind: NumericKind, limit: number): CoarsePast | null {
  const finer = finestMethod(kind)
  const past = readings.flatMap((reading) => {
    if (reading.kind !== kind || reading.value === undefined || reading.value < limit) return []
    const method = methodOf(kind, reading.method)
    return sigmaOf(kind, method) > sigmaOf(kind, finer) ? [{ value: reading.value, method, finer }] : []
  })
  return past.sort((a, b) => b.value - a.value)[0] ?? null
}

/** The method of a kind with the least sigma. */
export function finestMethod(kind: NumericKind): string {
  const methods = Object.keys(READING_KINDS[kind].methods)
  return methods.reduce((best, method) => (sigmaOf(kind, method) < sigmaOf(kind, best) ? method : best))
}

function sigmaOf(kind: NumericKind, method: string): number {
  return methodSigma(kind, method) ?? Infinity
}

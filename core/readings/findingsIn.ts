import type { Reading } from './types'

/** Indices of the readings that found one of these, on this target (or, without one, on any). */
export function findingsIn(readings: readonly Reading[], findings: readonly string[], target?: string): number[] {
  return readings.flatMap((r, i) => (r.kind === 'condition' && findings.includes(r.finding!) && (target === undefined || r.target === target) ? [i] : []))
}

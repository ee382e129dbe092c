import type { KnownReading } from './ids'

/** Ids of the readings that found one of these, on this target (or, without one, on any). */
export function findingsIn(readings: readonly KnownReading[], findings: readonly string[], target?: string): string[] {
  return readings.flatMap((r) =>
    r.kind === 'condition' && findings.includes(r.finding) && (target === undefined || r.target === target)
      ? [r.id]
      : []
  )
}

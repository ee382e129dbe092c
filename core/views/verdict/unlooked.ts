import { partOf, type Reading } from '../../readings'
import type { HeldCall, JobRecord } from '../../record'

/**
 * Calls to look closer at parts that nobody has looked at yet: nothing was read, found or photographed there, no reason
 * rests on a reading, and nobody decided otherwise.
 */
export function unlookedAt(calls: readonly HeldCall[], { readings, photos }: JobRecord): HeldCall[] {
  const seen = new Set([...readings.map((reading) => partOf(reading as Reading)), ...photos.map(({ part }) => part)])
  return calls.filter(
    ({ part, holds, overruled, reasons }) =>
      holds === 'look-closer' &&
      !overruled &&
      !seen.has(part) &&
      reasons.every((reason) => reason.readings.length === 0)
  )
}

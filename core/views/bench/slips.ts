import type { SaidSlip } from '../../estimate'
import { type KnownReading, type Reading, READING_KINDS } from '../../readings'

/** The reading as it should have been taken, to be entered as its correction; null where only reading again helps. */
export function takenOtherWay(reading: KnownReading, { as, would, value }: SaidSlip): Reading | null {
  if (as === 'far-off' || reading.kind === 'condition' || !Number.isFinite(would)) return null
  const { id: _id, by: _by, at: _at, ...rest } = reading
  if (rest.kind === 'extension' && as === 'notches-as-mm') {
    const { value: _value, method: _method, sigma: _sigma, ...asNotches } = rest
    return { ...asNotches, notches: value }
  }
  const rounded = Number(would.toFixed(READING_KINDS[reading.kind].digits))
  if (rest.kind === 'extension') {
    const { notches: _notches, ...asFigure } = rest
    return { ...asFigure, value: rounded }
  }
  return { ...rest, value: rounded } as Reading
}

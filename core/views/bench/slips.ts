import type { ReadingEstimate, WrongWay } from '../../estimate'
import { type KnownReading, type NumericKind, type Reading, READING_KINDS } from '../../readings'

/** A reading that is probably wrong: in which way, and what it should have read then. */
export interface SaidSlip {
  kind: NumericKind
  value: number
  /** Was it given as notches? */
  notches: boolean
  as: WrongWay
  would: number
  odds: number
}

/** From these odds a reading is marked as wrong. */
const MARKED = 0.5

/** How a reading looks wrong; null where it does not. */
export function slipOf(reading: KnownReading, said: ReadingEstimate | null | undefined): SaidSlip | null {
  const { wrong, wrongAs, wouldRead } = said ?? {}
  if (reading.kind === 'condition' || !wrongAs || (wrong ?? 0) <= MARKED) return null
  const { kind } = reading
  return {
    kind,
    value: reading.value ?? reading.notches ?? NaN,
    notches: reading.value === undefined,
    as: wrongAs,
    would: wouldRead ?? NaN,
    odds: wrong ?? NaN
  }
}

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

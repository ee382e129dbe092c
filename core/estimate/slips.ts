import type { KnownReading, NumericKind } from '../readings'
import type { ReadingEstimate } from './types'
import type { WrongWay } from './ways'

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
    value: reading.value ?? reading.notches ?? reading.gap ?? NaN,
    notches: reading.value === undefined,
    as: wrongAs,
    would: wouldRead ?? NaN,
    odds: wrong ?? NaN
  }
}

import { READING_KINDS, type TargetField } from './kinds'
import type { Reading, ReadingKind, Unread } from './types'

/** The field that names the part which a kind of reading is of: what a candidate reading is named by. */
export function partField(kind: ReadingKind): TargetField | 'target' {
  return kind === 'condition' ? 'target' : READING_KINDS[kind].target[0]
}

/** Id of the one part that a reading is of; a run's is its chain. */
export function partOf(reading: Unread): string {
  return (reading as Reading)[partField(reading.kind)] as string
}

/** Every id that a reading names: its part and, for a run, the sprockets it goes between. */
export function namedBy(reading: Unread): string[] {
  return reading.kind === 'linkCount' ? [reading.chain, reading.from, reading.to] : [partOf(reading)]
}

import type { Reading, ReadingKind, Unread } from './types'

/** The field that names the part which a reading of a kind is of. */
const PART_FIELD = {
  extension: 'tensioner', groove: 'rail', padWear: 'tensioner', camLag: 'sprocket', linkCount: 'chain',
  chainLength: 'chain', chainCompare: 'chain', phaserPlay: 'phaser', condition: 'target'
} as const satisfies Record<ReadingKind, keyof Reading>

/** The field that names the part which a kind of reading is of: what a candidate reading is named by. */
export function partField(kind: ReadingKind): (typeof PART_FIELD)[ReadingKind] {
  return PART_FIELD[kind]
}

/** Id of the one part that a reading is of; a run's is its chain. */
export function partOf(reading: Unread): string {
  return reading[PART_FIELD[reading.kind]]!
}

/** Every id that a reading names: its part and, for a run, the sprockets it goes between. */
export function namedBy(reading: Unread): string[] {
  return reading.kind === 'linkCount' ? [reading.chain, reading.from, reading.to] : [partOf(reading)]
}

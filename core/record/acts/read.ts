import { elsewhere, type Fault, listOf, needed, num, pair, shape, text, type Shape } from '../../check'
import { type Reading, readingFaults, readingTargetFaults, canCorrect } from '../../readings'
import { type ActKind, type ActPlace, actShape, type ActView } from './define'
import type { StandingReading } from './standing'
import { faultAt } from '../says'
import { traceRead } from './traceRead'

const pixels = () => listOf(pair(PIXELS).required(needed), 400)
const ends = () => pixels().length(2)
/** Pixels of the widest photo. */
const PIXELS = 100_000

const schema = () =>
  actShape('read', {
    reading: elsewhere<Reading>().required(needed),
    supersedes: text(64),
    /** The photo that it was measured on, and where it was tapped (px), so that it can be looked at again. */
    picture: shape({
      photo: text(64).required(needed),
      ends: ends().required(needed),
      newEnds: ends(),
      /** Of a mark against its pointer: pins on the sprocket. */
      rim: pixels(),
      /** Of a count: the line along the chain, and where each link begins. */
      line: pixels(),
      ticks: pixels(),
      known: shape({ ends: ends().required(needed), mm: num(0.1, 10_000).required(needed) }),
      behind: num(-500, 500),
      printed: num(50, 200)
    }),
    /** The trace that it was read from. */
    trace: traceRead()
  })
type Own = Shape<ReturnType<typeof schema>>
/** Where on a photo a reading was measured, px. */
export type PictureRead = NonNullable<Own['picture']>

/** What readings and their corrections come to. */
export interface ReadRecord {
  readings: StandingReading[]
  /** Act that superseded each superseded act. */
  superseded: Map<string, string>
  /** Act that each correction corrects. */
  corrects: Map<string, string>
  /**
   * Readings corrected by two people at once, who did not see each other's: by the reading corrected, the corrections
   * that stand.
   */
  clashes: Map<string, string[]>
}

/** A reading; `supersedes` is the id of the act whose reading it corrects. */
export const read: ActKind<'read', ReturnType<typeof schema>> = {
  type: 'read',
  schema,
  locks: false,
  who: 'mechanic',
  faults({ reading, supersedes }, place) {
    const structure = readingFaults(reading, place.at('reading'))
    const faults = structure.length > 0 ? structure : readingTargetFaults(place.sheet, reading, place.at('reading'))
    return faults.length > 0 || supersedes === undefined ? faults : supersedingFaults(reading, supersedes, place)
  }
}

export const readView: ActView<Own, ReadRecord> = {
  fold(record, { id, by, at, reading, supersedes }) {
    if (supersedes !== undefined) {
      record.corrects.set(id, supersedes)
      supersede(record, supersedes, id)
    }
    if (!record.superseded.has(id)) record.readings.push({ ...reading, id, by, at } as StandingReading)
  }
}

function supersedingFaults(reading: Reading, supersedes: string, { acts, at }: ActPlace): Fault[] {
  const old = acts.get(supersedes)
  if (old?.type !== 'read' || !old.reading) return [faultAt(at('supersedes'), 'no-such-reading')]
  return canCorrect(old.reading, reading) ? [] : [faultAt(at('supersedes'), 'correction-of-other')]
}

/** Two corrections of one reading that both stand are a clash: both are kept until one is taken back. */
function supersede(record: ReadRecord, old: string, by: string): void {
  const other = record.superseded.get(old)
  if (other !== undefined && !record.superseded.has(other))
    record.clashes.set(old, [...(record.clashes.get(old) ?? [other]), by])
  record.superseded.set(old, by)
  const standing = record.readings.findIndex(({ id }) => id === old)
  if (standing >= 0) record.readings.splice(standing, 1)
  // Where it was itself one of two rival corrections, the other may be left alone now.
  const corrected = record.corrects.get(old)
  if (corrected === undefined) return
  const rivals = record.clashes.get(corrected)
  if (rivals)
    settle(
      record,
      corrected,
      rivals.filter((id) => id !== old)
    )
}

function settle(record: ReadRecord, corrected: string, rivals: string[]): void {
  if (rivals.length > 1) record.clashes.set(corrected, rivals)
  else record.clashes.delete(corrected)
}

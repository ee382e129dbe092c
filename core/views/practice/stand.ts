import type { Call } from '../../calls'
import { isSameThing, type JobFile, type Reading, withIds } from '../../readings'
import { accessMinutes, type Inspection, inspectionsOf } from './inspections'
import type { Move } from './moves'
import type { PracticeCase } from './types'

export type { Move } from './moves'

/** A reading that stands, and what it was read from. */
export interface StandReading {
  reading: Reading
  inspection: string
  /** Which look at it, from 0. */
  attempt: number
  /** As the engine stood then. */
  turnedForward: boolean
}

/** Where a learner stands. */
export interface Stand {
  /** crank degrees from the setting point. */
  crank: number
  turnedForward: boolean
  turnedBack: boolean
  done: Set<string>
  /** How many times each inspection was made. */
  looks: Map<string, number>
  /** Minutes of access and of looking. */
  access: number
  looking: number
  readings: StandReading[]
  calls: Map<string, Call>
  renew: Set<string>
}

/** Minutes a whole crank turn by hand takes. */
const TURN_MINUTES = 1
/** crank degrees forward after which what had kicked back is taken up. */
export const TAKEN_UP = 20

/** Where a learner's moves have led; a move that names nothing on this engine changes nothing. */
export function standOf(engine: PracticeCase, moves: readonly Move[]): Stand {
  const stand: Stand = {
    crank: engine.start,
    turnedForward: false,
    turnedBack: false,
    done: new Set(),
    looks: new Map(),
    access: 0,
    looking: 0,
    readings: [],
    calls: new Map(),
    renew: new Set()
  }
  const inspections = new Map(inspectionsOf(engine.drive).map((one) => [one.id, one]))
  let forward = 0
  for (const move of moves) {
    if (move.type === 'turn') {
      forward = move.degrees > 0 ? forward + move.degrees : 0
      turn(stand, move.degrees, forward)
    } else step(stand, move, engine, inspections)
  }
  return stand
}

function turn(stand: Stand, degrees: number, forward: number): void {
  stand.crank += degrees
  stand.looking += (Math.abs(degrees) / 360) * TURN_MINUTES
  stand.turnedForward = forward >= TAKEN_UP
  stand.turnedBack ||= degrees < 0
}

function step(
  stand: Stand,
  move: Exclude<Move, { type: 'turn' }>,
  engine: PracticeCase,
  inspections: ReadonlyMap<string, Inspection>
): void {
  if (move.type === 'unread') stand.readings.splice(move.reading, 1)
  else if (move.type === 'call') {
    if (move.call === null) stand.calls.delete(move.part)
    else stand.calls.set(move.part, move.call)
  } else if (move.type === 'renew') {
    if (move.on) stand.renew.add(move.part)
    else stand.renew.delete(move.part)
  } else {
    const inspection = inspections.get(move.inspection)
    if (!inspection) return
    if (move.type === 'inspect') inspect(stand, engine, inspection)
    else takeReading(stand, inspection, move.reading)
  }
}

function inspect(stand: Stand, { drive }: PracticeCase, { id, operations, minutes }: Inspection): void {
  stand.access += accessMinutes(drive, operations, stand.done)
  operations.forEach((operation) => stand.done.add(operation))
  stand.looking += minutes
  stand.looks.set(id, (stand.looks.get(id) ?? 0) + 1)
}

/** An entry needs a look first; the last of one thing stands. */
function takeReading(stand: Stand, { id, kind }: Inspection, reading: Reading): void {
  const looks = stand.looks.get(id) ?? 0
  if (looks === 0) return
  const turnedForward = kind === 'scan' || stand.turnedForward
  const same = (other: StandReading) => other.inspection === id && isSameThing(other.reading, reading)
  stand.readings = [
    ...stand.readings.filter((other) => !same(other)),
    {
      reading: { ...reading, ...(isTurned(reading) ? { turnedForward } : {}) } as Reading,
      inspection: id,
      attempt: looks - 1,
      turnedForward
    }
  ]
}

const isTurned = ({ kind }: Reading) => kind === 'camLag' || kind === 'extension'

/** The learner's readings as a job that the core assesses. */
export function jobOfStand(engine: PracticeCase, readings: readonly Pick<StandReading, 'reading'>[]): JobFile {
  return {
    format: 'umbrette-job',
    version: 1,
    drive: engine.drive,
    usage: engine.usage,
    school: 'on-evidence',
    // Engines on the practice stand are as cold and as unmachined as their sheets.
    corrections: { skim: {}, temperature: {}, offsetKeys: {} },
    readings: withIds(readings.map(({ reading }) => reading))
  }
}

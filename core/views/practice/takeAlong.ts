import type { PracticeCase } from './types'
import { lesson } from './says'
import type { Message } from '../../check'
import type { JudgedCall, Solved } from './scoreStand'
import { jobOfStand, type Stand } from './stand'
import type { Shown, WeighedReading } from './weighedReadings'

/** A fault or trap of a case, and how the learner fared with it. */
export interface ToldFault {
  id: string
  trap: boolean
  missed: boolean
}

interface Played {
  wrong: readonly ToldFault[]
  calls: readonly JudgedCall[]
  readings: readonly WeighedReading[]
}

/**
 * Of a call that went wrong: the look that the software's call rests on, taken and not followed, or not taken at all.
 */
function unreadLooks(
  engine: PracticeCase,
  { software: { taken, stand, calls: made } }: Solved,
  calls: readonly JudgedCall[],
  { looks }: Stand
): Message[] {
  const wrong = calls.filter(({ hit }) => !hit)
  // What was wrong with the engine first, then what was doubted without need.
  return [
    ...wrong.filter(({ right }) => right !== 'back-in'),
    ...wrong.filter(({ right }) => right === 'back-in')
  ].flatMap(({ part }) => {
    const reasons = made.find((call) => call.part === part)?.reasons[0]?.readings ?? []
    const behind = jobOfStand(engine, stand.readings).readings.flatMap(({ id }, i) =>
      reasons.includes(id) ? (stand.readings[i]?.inspection ?? []) : []
    )
    const [read, look] = [true, false].map((seen) =>
      taken.find(({ inspection }) => behind.includes(inspection) && looks.has(inspection) === seen)
    )
    if (read) return [lesson('followed-not', read.what)]
    return look ? [lesson('would-have-told', { ...look.what, minutes: Math.round(look.minutes) })] : []
  })
}

/** What to take along, with the reason that it rests on where it speaks of a call. */
export type Lesson = Message & { readonly reason?: Message }

/** The two or three things to remember: traps walked into and faults missed first, then money and care. */
export function takeAlong(
  engine: PracticeCase,
  { wrong, calls, readings }: Played,
  stand: Stand,
  solution: Solved
): Lesson[] {
  const needless = calls.filter(
    ({ right, yours, part }) => right === 'back-in' && (yours === 'renew' || stand.renew.has(part))
  )
  const luck = calls.filter(({ hit, grounded, right }) => hit && !grounded && right !== 'back-in')
  const misread = readings.filter((reading) => reading.misread)
  const idle = readings.filter(
    ({ narrowed: by, changed, misread: bad }) => !bad && changed.length === 0 && by !== null && by.from - by.to < 0.002
  )
  const all: Lesson[] = [
    ...wrong.filter(({ missed }) => missed).map(({ id }) => lesson('of-fault', { fault: id })),
    ...misread
      .slice(0, 1)
      .map(({ what, entered, shown }) => lesson('misread', { ...what, ...tellShown(entered, shown) })),
    ...needless.slice(0, 1).map(({ part, why }) => ({ ...lesson('needless', { part }), reason: why })),
    ...(stand.turnedBack ? [lesson('turned-back')] : []),
    ...unreadLooks(engine, solution, calls, stand).slice(0, 1),
    ...luck.slice(0, 1).map(({ part }) => lesson('luck', { part })),
    ...(idle.length > 1 ? [lesson('idle', { ...idle[0]!.what, minutes: idle[0]!.minutes })] : []),
    ...wrong.map(({ id }) => lesson('of-fault', { fault: id })),
    lesson('look-in-reach'),
    lesson('measure-twice')
  ]
  return uniqBy(all, (one) => JSON.stringify(one)).slice(0, 3)
}

/** Each once. */
function uniqBy<T>(list: readonly T[], key: (one: T) => string): T[] {
  return [...new Map(list.map((one) => [key(one), one])).values()]
}

/**
 * A misread entry as the figures of a message: both figures with their unit, or the finding and how many were there.
 */
function tellShown(
  entered: Shown,
  shown: Shown
): { entered: string; shown: string; unit: string; findingKind: string } {
  const plain = (one: Shown) =>
    one === null
      ? ''
      : 'value' in one
        ? one.value.toFixed(1)
        : 'told' in one
          ? one.told
          : `${one.finding}${one.count === null ? '' : `:${one.count}`}`
  return {
    entered: plain(entered),
    shown: plain(shown),
    unit: entered && 'value' in entered ? entered.unit : '',
    findingKind: entered && 'kind' in entered ? entered.kind : ''
  }
}

import type { JudgedCall, Solved } from './score'
import type { Stand } from './stand'
import type { WeighedReading } from './weighedReadings'

/** A fault or trap of a case, and how the learner fared with it. */
export interface ToldFault {
  id: string
  name: string
  lesson: string
  trap: boolean
  missed: boolean
}

interface Played {
  wrong: readonly ToldFault[]
  calls: readonly JudgedCall[]
  readings: readonly WeighedReading[]
}

/** Of a call that went wrong: the look that the software's call rests on, taken and not followed, or not taken at all. */
function unread({ software: { taken, stand, calls: made } }: Solved, calls: readonly JudgedCall[], { looks }: Stand): string[] {
  const wrong = calls.filter(({ hit }) => !hit)
  // What was wrong with the engine first, then what was doubted without need.
  return [...wrong.filter(({ right }) => right !== 'back-in'), ...wrong.filter(({ right }) => right === 'back-in')].flatMap(({ part }) => {
    const behind = made.find((call) => call.part === part)?.reasons[0]?.readings.map((i) => stand.readings[i]!.inspection) ?? []
    const [read, look] = [true, false].map((seen) => taken.find(({ inspection }) => behind.includes(inspection) && looks.has(inspection) === seen))
    if (read) return [`${read.title} was looked at and said so: a call follows what was read.`]
    return look ? [`${look.title} would have told: ${Math.round(look.minutes)} minutes for whoever takes it when the software did.`] : []
  })
}

/** The two or three things to remember: traps walked into and faults missed first, then money and care. */
export function takeAlong({ wrong, calls, readings }: Played, stand: Stand, solution: Solved): string[] {
  const needless = calls.filter(({ right, yours, part }) => right === 'back-in' && (yours === 'renew' || stand.renew.has(part)))
  const luck = calls.filter(({ hit, grounded, right }) => hit && !grounded && right !== 'back-in')
  const misread = readings.filter((reading) => reading.misread)
  const idle = readings.filter(({ narrowed: by, changed, misread: bad }) => !bad && changed.length === 0 && by !== null && by.from - by.to < 0.002)
  const all = [
    ...wrong.filter(({ missed }) => missed).map(({ lesson }) => lesson),
    ...misread.slice(0, 1).map(({ what, entered, shown }) => `${what}: ${entered} was entered, ${shown} was there. Look twice before it is written down.`),
    ...needless.slice(0, 1).map(({ name, why }) => `${name} was sound and went on the bill: ${why}`),
    ...(stand.turnedBack ? ['The engine was turned against its running direction: overshoot, and go round again. Slack moves to the wrong side, and on some engines the chain jumps.'] : []),
    ...unread(solution, calls, stand).slice(0, 1),
    ...luck.slice(0, 1).map(({ name }) => `${name}: the call was right, but nothing was read that it rests on. It would not have stood up to the customer.`),
    ...(idle.length > 1 ? [`${idle[0]!.what} cost ${idle[0]!.minutes} minutes and changed nothing: read what settles something.`] : []),
    ...wrong.map(({ lesson }) => lesson), ...STANDING
  ]
  return [...new Set(all)].slice(0, 3)
}

/** Worth remembering whatever the case was. */
const STANDING: readonly string[] = ['What comes off stays paid for: look at everything that is in reach before more is taken off.', 'A figure that two ways of measuring agree on stands up to a customer; one alone is a guess with a number.']

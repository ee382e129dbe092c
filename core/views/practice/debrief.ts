import { rounded } from '../../math'
import { faultOf } from './faults'
import { isMissed } from './missed'
import { type Score, scored, solved, type Solved } from './score'
import { type Move, standOf } from './stand'
import { takeAlong, type ToldFault } from './takeAlong'
import type { PracticeCase } from './types'
import { type WeighedReading, weighedReadings } from './weighedReadings'

/** All that is told once a case is judged. */
export interface Debriefing extends Score {
  bill: Score['bill'] & { currency: string }
  wrong: ToldFault[]
  readings: WeighedReading[]
  software: { title: string; minutes: number }[]
  takeAlong: string[]
}

/** Everything that is said once a learner has made the calls. */
export function debrief(engine: PracticeCase, moves: readonly Move[], solution: Solved = solved(engine)): Debriefing {
  const stand = standOf(engine, moves)
  const { score, parts, calls, minutes, bill } = scored(engine, stand, solution)
  const wrong = engine.truth.faults.flatMap((id): ToldFault[] => {
    const fault = faultOf(id)
    return fault ? [{ id, name: fault.name, lesson: fault.lesson, trap: fault.trap === true, missed: isMissed(engine, id, calls, stand) }] : []
  })
  const readings = weighedReadings(engine, stand)
  return rounded({
    score, parts, wrong, calls, readings, software: solution.software.taken.map(({ title, minutes: took }) => ({ title, minutes: took })), minutes,
    bill: { ...bill, currency: engine.drive.money?.currency ?? '' }, takeAlong: takeAlong({ wrong, calls, readings }, stand, solution)
  })
}

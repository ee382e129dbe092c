import type { LookedAtFigures } from './says'
import type { DriveSheet } from '../../sheet'
import { roundFigures } from '../../math'
import { faultOf } from './faults'
import { isMissed } from './missed'
import { type Score, scoreStand, solveCase, type Solved } from './scoreStand'
import { type Move, standOf } from './stand'
import { type Lesson, takeAlong, type ToldFault } from './takeAlong'
import type { PracticeCase } from './types'
import { type WeighedReading, weighedReadings } from './weighedReadings'

/** All that is told once a case is judged. */
export interface Debriefing extends Score {
  bill: Score['bill'] & { currency: string }
  wrong: ToldFault[]
  readings: WeighedReading[]
  software: { what: LookedAtFigures; minutes: number }[]
  takeAlong: Lesson[]
  /** Names of the parts that it speaks of, by id. */
  names: { [part: string]: string }
}

/** Everything that is said once a learner has made the calls. */
export function debrief(
  engine: PracticeCase,
  moves: readonly Move[],
  solution: Solved = solveCase(engine)
): Debriefing {
  const stand = standOf(engine, moves)
  const { score, parts, calls, minutes, bill } = scoreStand(stand, solution)
  const wrong = engine.truth.faults.flatMap((id): ToldFault[] => {
    const fault = faultOf(id)
    return fault ? [{ id, trap: fault.trap === true, missed: isMissed(engine, id, calls, stand) }] : []
  })
  const readings = weighedReadings(engine, stand)
  return roundFigures({
    score,
    parts,
    wrong,
    calls,
    readings,
    software: solution.software.taken.map(({ what, minutes: took }) => ({ what, minutes: took })),
    minutes,
    bill: { ...bill, currency: engine.drive.money?.currency ?? '' },
    names: namesOf(engine.drive),
    takeAlong: takeAlong(engine, { wrong, calls, readings }, stand, solution)
  })
}

function namesOf({ chains, rails, tensioners, sprockets, phasers }: DriveSheet): Debriefing['names'] {
  return Object.fromEntries(
    [...chains, ...rails, ...tensioners, ...sprockets, ...phasers].map(({ id, name }) => [id, name])
  )
}

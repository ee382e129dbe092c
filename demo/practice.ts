import { tellCase } from '../words/en'
import {
  caseOfJob,
  debrief,
  type Debriefing,
  type Level,
  makeCase,
  type Move,
  type PracticeCase,
  softwareRun
} from '../core/views/practice'
import { DEMO_JOBS, PRACTICE_SHEETS } from './workshop'

/** What Bela has practised so far: early cases judged in haste, later ones with care. */
const HISTORY: readonly { engine: string; level: Level; seed: number; at: string; hasty?: true }[] = [
  { engine: 'quillon-q40', level: 1, seed: 1, at: '2026-11-02T16:10:00.000Z', hasty: true },
  { engine: 'ardmere-a18', level: 1, seed: 9, at: '2026-11-05T16:25:00.000Z' },
  { engine: 'ardmere-a18', level: 2, seed: 3, at: '2026-11-09T15:50:00.000Z', hasty: true },
  { engine: 'hexley-h46', level: 2, seed: 9, at: '2026-11-13T16:05:00.000Z', hasty: true },
  { engine: 'quillon-q40', level: 2, seed: 5, at: '2026-11-18T16:40:00.000Z' }
]

export interface DemoRun {
  id: string
  by: string
  engine: PracticeCase
  moves: Move[]
  debriefing: Debriefing
  finishedAt: Date
}

export function demoRuns(): DemoRun[] {
  return HISTORY.map(({ engine: sheet, level, seed, at, hasty }, i) => {
    const engine = drawnOn(sheet, level, seed)
    const run = softwareRun(engine)
    const looked = hasty ? run.moves.slice(0, Math.ceil(run.moves.length / 3)) : run.moves
    const calls = run.calls.flatMap(({ part, call, reasons }): Move[] => {
      const to = hasty && call === 'look-closer' ? 'back-in' : call
      return [
        { type: 'call', part, call: to },
        ...(to !== 'back-in' && reasons.some((reason) => reason.call === 'renew')
          ? [{ type: 'renew', part, on: true } as Move]
          : [])
      ]
    })
    const moves = [...looked, ...(hasty ? calls.slice(0, -2) : calls)]
    return {
      id: `5a17a000-0000-4000-8000-0000000e${String(i + 1).padStart(4, '0')}`,
      by: 'Bela',
      engine,
      moves,
      debriefing: debrief(engine, moves),
      finishedAt: new Date(at)
    }
  })
}

function drawnOn(id: string, level: Level, seed: number): PracticeCase {
  const sheet = PRACTICE_SHEETS.find((one) => one.id === id)
  if (!sheet) throw new RangeError(`engine ${id}: expected one that cases are drawn on`)
  return tellCase(makeCase(sheet, level, seed))
}

/** A closed job of the workshop told as a case. */
export function demoCase(): { id: string; body: PracticeCase; createdBy: string } {
  const closed = DEMO_JOBS.find(({ acts }) => acts.some((act) => act.type === 'state' && act.state === 'closed'))
  if (!closed) throw new Error('demo: expected a closed job')
  const { job, acts } = closed
  return {
    id: '5a17a000-0000-4000-8000-0000000f0001',
    body: caseOfJob(job, acts, 'The yearly inspection'),
    createdBy: 'Tove'
  }
}

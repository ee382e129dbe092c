import { isUuid } from '../../core/check'
import type { DriveSheet } from '../../core/sheet'
import { sayCode, sayUntellable, tellCase } from '../../words/en'
import { told } from '../../words/problems'
import { randomUUID } from 'node:crypto'
import {
  CodeError,
  SEEDS,
  UntellableError,
  caseCode,
  EDITION,
  caseOfJob,
  debrief,
  levelFor,
  makeCase,
  readCase,
  readCode,
  readMoves,
  seedWith,
  type Debriefing,
  type Level,
  type Move,
  type PracticeCase,
  type RunSummary,
  type Weakness,
  weaknesses
} from '../../core/views/practice'
import { seedOf } from '../../core/math'
import { PRACTICE_SHEETS } from '../../demo/workshop'
import { useDb } from '../db/connection'
import { heavily } from '../heavy/heavily'
import { PracticeCaseRow, PracticeRunRow } from '../db/models'
import { Problem } from '../utils/problem'
import { findJob } from './jobs'

/** A case that the workshop keeps, as lists show it. */
export interface KeptCase {
  id: string
  title: string
  engine: string
  level: Level
  createdBy: string
  createdAt: string
}

/** What a learner finds on coming in. */
export interface PracticeLobby {
  daily: { code: string; level: Level; engine: string; done: boolean }
  level: Level
  engines: { id: string; name: string }[]
  history: RunSummary[]
  weak: Weakness[]
  /** A case chosen for what is missed most; null while nothing is. */
  training: { code: string; fault: string } | null
  cases: KeptCase[]
}

export interface KeptRun extends RunSummary {
  caseKey: string
  moves: Move[]
  debriefing: Debriefing
}

const RUNS_SHOWN = 60

/** The case behind a short code, or one that the workshop keeps. @throws Problem bad-input, not-found */
export async function practiceCase(key: string): Promise<PracticeCase> {
  if (isUuid(key)) {
    await useDb()
    const row = await PracticeCaseRow.findByPk(key)
    if (!row) throw new Problem('not-found', told('no-such-case'))
    return row.body
  }
  try {
    const { sheet, level, seed, edition } = readCode(key, PRACTICE_SHEETS)
    return tellCase(makeCase(practiceSheet(sheet), level, seed, edition))
  } catch (error) {
    if (error instanceof CodeError) throw new Problem('bad-input', told('first-fault', { said: sayCode(error.said) }))
    throw error
  }
}

function practiceSheet(id: string): DriveSheet {
  const found = PRACTICE_SHEETS.find((sheet) => sheet.id === id)
  if (!found) throw new RangeError(`engine ${id}: expected one that cases are drawn on`)
  return found
}

/** Keeps a case from a file. @throws Problem bad-input */
export async function keepCase(value: unknown, by: string): Promise<KeptCase> {
  const { engine, faults } = readCase(value)
  if (!engine) throw new Problem('bad-input', told('file-not-taken'), faults)
  return insertCase({ ...engine, code: '' }, by)
}

/**
 * Tells a closed job as a case. @throws Problem not-found, conflict while it is open, bad-input for one that cannot be
 * drawn
 */
export async function keepJobAsCase(
  jobId: string,
  { title, complaint }: Pick<PracticeCase, 'title' | 'complaint'>,
  by: string
): Promise<KeptCase> {
  const { job, acts } = await findJob(jobId)
  const record = acts.map(({ act }) => act)
  if (record.findLast((act) => act.type === 'state')?.state !== 'closed')
    throw new Problem('conflict', told('job-not-closed'))
  try {
    return await insertCase({ ...caseOfJob(job, record, title), complaint }, by, jobId)
  } catch (error) {
    if (error instanceof UntellableError)
      throw new Problem('bad-input', told('first-fault', { said: sayUntellable(error.said) }))
    throw error
  }
}

async function insertCase(body: PracticeCase, createdBy: string, jobId: string | null = null): Promise<KeptCase> {
  await useDb()
  return listCase(
    await PracticeCaseRow.create({ id: randomUUID(), title: body.title, body, createdBy, jobId, createdAt: new Date() })
  )
}

/** Takes a kept case off the list, or puts it back. @throws Problem not-found */
export async function removeCase(id: string, removed: boolean): Promise<void> {
  await useDb()
  const [changed] = isUuid(id) ? await PracticeCaseRow.update({ removed }, { where: { id } }) : [0]
  if (changed === 0) throw new Problem('not-found', told('no-such-case'))
}

/** Judges a finished case and keeps it, once however often it is sent. @throws Problem bad-input */
export async function finishRun(id: string, by: string, caseKey: string, value: unknown): Promise<KeptRun> {
  return heavily('asked', 'judgeRun', id, by, caseKey, value)
}

export async function judgeRun(id: string, by: string, caseKey: string, value: unknown): Promise<KeptRun> {
  const engine = await practiceCase(caseKey)
  const { moves, faults } = readMoves(value, engine.drive)
  if (faults.length > 0) throw new Problem('bad-input', told('moves-not-taken'), faults)
  await useDb()
  const debriefing = debrief(engine, moves)
  await PracticeRunRow.bulkCreate(
    [
      {
        id,
        by,
        caseKey: engine.code || caseKey,
        title: engine.title,
        level: engine.level,
        score: debriefing.score,
        moves,
        debriefing,
        finishedAt: new Date()
      }
    ],
    { ignoreDuplicates: true }
  )
  return practiceRun(id)
}

/** A finished case with its debriefing. @throws Problem not-found */
export async function practiceRun(id: string): Promise<KeptRun> {
  await useDb()
  const row = isUuid(id) ? await PracticeRunRow.findByPk(id) : null
  if (!row) throw new Problem('not-found', told('no-such-run'))
  return { ...summaryOf(row), caseKey: row.caseKey, moves: row.moves, debriefing: row.debriefing }
}

/** What a learner finds on coming in on a day (as 2026-11-25). */
export async function practiceLobby(by: string, day: string): Promise<PracticeLobby> {
  return heavily('asked', 'lobbyOf', by, day)
}

export async function lobbyOf(by: string, day: string): Promise<PracticeLobby> {
  await useDb()
  const rows = await PracticeRunRow.findAll({
    where: { by },
    attributes: { exclude: ['moves'] },
    order: [['finishedAt', 'DESC']],
    limit: RUNS_SHOWN
  })
  const history = rows.map(summaryOf)
  const cases = await PracticeCaseRow.findAll({
    where: { removed: false },
    order: [['createdAt', 'DESC']],
    limit: RUNS_SHOWN
  })
  const [weak, level] = [weaknesses(history), levelFor(history)]
  const daily = dailyCase(day)
  return {
    daily: { ...daily, done: history.some(({ code }) => code === daily.code) },
    level,
    engines: PRACTICE_SHEETS.map(({ id, name }) => ({ id, name })),
    history,
    weak,
    training: trainingCase(weak, level, history),
    cases: cases.map(listCase)
  }
}

/** The same case for everybody on one day: engine and level go round. */
function dailyCase(day: string): { code: string; level: Level; engine: string } {
  const seed = seedOf('daily', day)
  const sheet = PRACTICE_SHEETS[seed % PRACTICE_SHEETS.length]!
  const level = (1 + (Math.floor(seed / 7) % 5)) as Level
  return { code: caseCode({ sheet: sheet.id, level, seed: seed % SEEDS, edition: EDITION }), level, engine: sheet.name }
}

/** A case not seen yet that holds what is missed most. */
function trainingCase(
  weak: readonly Weakness[],
  level: Level,
  history: readonly RunSummary[]
): PracticeLobby['training'] {
  for (const { id } of weak.slice(0, 3)) {
    for (const sheet of PRACTICE_SHEETS) {
      const at = Math.max(level, 3) as Level
      const seed = seedWith(sheet, at, id, seedOf('training', id, history.length) % SEEDS, EDITION)
      if (seed === null) continue
      const code = caseCode({ sheet: sheet.id, level: at, seed, edition: EDITION })
      if (!history.some((run) => run.code === code)) return { code, fault: id }
    }
  }
  return null
}

function summaryOf(row: PracticeRunRow): RunSummary {
  const { id, by, caseKey, title, level, score, debriefing, finishedAt } = row
  return {
    id,
    by,
    code: isUuid(caseKey) ? '' : caseKey,
    title,
    level: level as Level,
    score,
    faults: debriefing.wrong.map(({ id: fault, missed }) => ({ id: fault, missed })),
    finishedAt: finishedAt.toISOString()
  }
}

function listCase({ id, title, body, createdBy, createdAt }: PracticeCaseRow): KeptCase {
  return { id, title, engine: body.drive.name, level: body.level, createdBy, createdAt: createdAt.toISOString() }
}

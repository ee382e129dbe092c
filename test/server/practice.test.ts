import { tellCase } from '../../words/en'
import { describe, expect, it } from 'vitest'
import { caseCode, makeCase, softwareRun } from '../../core/views/practice'
import type { Act } from '../../core/record'
import { DEMO_JOBS, PRACTICE_SHEETS } from '../../demo/workshop'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()

const quillon = PRACTICE_SHEETS.find(({ id }) => id === 'quillon-q40')!
const engine = tellCase(makeCase(quillon, 1, 77))
const closed = DEMO_JOBS.find(({ acts }) => acts.some((act: Act) => act.type === 'state'))!
const runId = (n: number) => `5a17a000-0000-4000-8000-0000000d${String(n).padStart(4, '0')}`

describe('cases', () => {
  it('a short code gives the same engine on every server, and a slip in it is told', async () => {
    expect(await workshop.practice.practiceCase(engine.code)).toEqual(engine)
    expect(await workshop.practice.practiceCase(engine.code.toLowerCase())).toEqual(engine)
    await expect(workshop.practice.practiceCase('Q1-AAAAAA')).rejects.toMatchObject({ code: 'bad-input' })
    await expect(workshop.practice.practiceCase(runId(999))).rejects.toMatchObject({ code: 'not-found' })
  })
  it('a file is taken in and comes back as it was, but for the code, which it is not drawn from here', async () => {
    const kept = await workshop.practice.keepCase(JSON.parse(JSON.stringify(engine)), 'Tove')
    expect(await workshop.practice.practiceCase(kept.id)).toEqual({ ...engine, code: '' })
    await expect(workshop.practice.keepCase({ ...engine, level: 8 }, 'Tove')).rejects.toMatchObject({
      code: 'bad-input',
      faults: [expect.objectContaining({ place: 'level' })]
    })
  })
  it('a closed job is told as a case without its vehicle and people; an open one is not', async () => {
    const kept = await workshop.practice.keepJobAsCase(closed.id, { title: 'A quiet one', complaint: 'Ticks.' }, 'Tove')
    const told = await workshop.practice.practiceCase(kept.id)
    expect(told).toMatchObject({ title: 'A quiet one', complaint: 'Ticks.', code: '' })
    expect(JSON.stringify(told)).not.toContain(closed.job.vehicle)
    expect(JSON.stringify(told)).not.toContain(closed.job.openedBy)
    expect(told.truth.elongation!.main).toBeGreaterThan(0.0005)
    await expect(
      workshop.practice.keepJobAsCase(DEMO_JOBS[0]!.id, { title: 'x', complaint: '' }, 'Tove')
    ).rejects.toMatchObject({ code: 'conflict' })
  })
  it('a case taken off the list is put back, and stays there for runs that name it', async () => {
    const kept = await workshop.practice.keepCase(JSON.parse(JSON.stringify(engine)), 'Tove')
    const listed = async () =>
      (await workshop.practice.practiceLobby('Tove', '2026-11-25')).cases.some(({ id }) => id === kept.id)
    await workshop.practice.removeCase(kept.id, true)
    expect(await listed()).toBe(false)
    expect((await workshop.practice.practiceCase(kept.id)).title).toBe(engine.title)
    await workshop.practice.removeCase(kept.id, false)
    expect(await listed()).toBe(true)
    await expect(workshop.practice.removeCase('nonsense', true)).rejects.toMatchObject({ code: 'not-found' })
  })
})

describe('runs', () => {
  const { moves } = softwareRun(engine)
  it('are judged and kept once, however often they are sent', async () => {
    const first = await workshop.practice.finishRun(runId(1), 'Idris', engine.code, moves)
    const again = await workshop.practice.finishRun(runId(1), 'Idris', engine.code, [])
    expect(again).toEqual(first)
    expect(again.debriefing.readings.length).toBeGreaterThan(5)
    expect((await workshop.practice.practiceLobby('Idris', '2026-11-25')).history.map(({ id }) => id)).toEqual([
      runId(1)
    ])
    expect(await workshop.practice.practiceRun(runId(1))).toEqual(first)
  })
  it('moves that are none are named and nothing is kept', async () => {
    await expect(workshop.practice.finishRun(runId(2), 'Idris', engine.code, [{ type: 'fly' }])).rejects.toMatchObject({
      code: 'bad-input'
    })
    await expect(workshop.practice.practiceRun(runId(2))).rejects.toMatchObject({ code: 'not-found' })
  })
  it('what is missed comes up again in a case not seen before, and is told by name', async () => {
    expect((await workshop.practice.practiceLobby('Maren', '2026-11-25')).training).toBeNull()
    const run = await workshop.practice.finishRun(runId(3), 'Maren', engine.code, [])
    const missed = run.debriefing.wrong.find((one) => one.missed)!
    const { weak, training } = await workshop.practice.practiceLobby('Maren', '2026-11-25')
    expect(weak[0]).toMatchObject({ id: missed.id, missed: 1 })
    expect((await workshop.practice.practiceCase(training!.code)).truth.faults).toContain(missed.id)
    expect(training!.code).not.toBe(engine.code)
  })
  it('the case of the day is the same for everybody on one day and another on the next', async () => {
    const [a, b, next] = [
      await workshop.practice.practiceLobby('Maren', '2026-11-25'),
      await workshop.practice.practiceLobby('Bela', '2026-11-25'),
      await workshop.practice.practiceLobby('Bela', '2026-11-26')
    ]
    expect(a.daily.code).toBe(b.daily.code)
    expect(next.daily.code).not.toBe(a.daily.code)
    await workshop.practice.finishRun(runId(4), 'Bela', a.daily.code, [])
    expect((await workshop.practice.practiceLobby('Bela', '2026-11-25')).daily.done).toBe(true)
  })
  it('the demo workshop has practised: runs with scores, and a case of its own', async () => {
    const { history, cases } = await workshop.practice.practiceLobby('Bela', '2026-11-25')
    expect(history.length).toBeGreaterThanOrEqual(5)
    expect(cases.map(({ title }) => title)).toContain('The yearly inspection')
    expect(caseCode({ sheet: 'quillon-q40', level: 1, seed: 1 })).toBe(history.at(-1)!.code)
  })
})

import { randomUUID } from 'node:crypto'
import { expect, it, vi } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import type { Act, JobState } from '../../core/job/acts'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()

const by = { by: 'Maren', at: '2026-11-24T08:00:00.000Z' }
const total = async (state: JobState, search = '') => (await workshop.board.boardPage({ state, search, page: 0 })).total

it('a job\'s list follows its acts, there and back', async () => {
  const { id, job } = DEMO_JOBS[1]!
  const [open, closed] = [await total('open'), await total('closed')]
  await workshop.jobs.addAct(id, { ...by, id: 'closes', type: 'state', state: 'closed' })
  expect([await total('open'), await total('closed', job.vehicle)]).toEqual([open - 1, 1])
  await workshop.jobs.addAct(id, { ...by, id: 'takes-back', type: 'undo', act: 'closes' })
  expect([await total('open'), await total('closed')]).toEqual([open, closed])
  await expect(workshop.jobs.addAct(id, { ...by, id: 'odd', type: 'state', state: 'lost' })).rejects.toMatchObject({ code: 'bad-input' })
})

it('an imported job lands in the list its acts say', async () => {
  const { job } = DEMO_JOBS[2]!
  const acts: Act[] = [{ ...by, id: 'archives', type: 'state', state: 'archived' }]
  await workshop.jobs.insertJob(randomUUID(), { ...job, vehicle: 'Kept for the record' }, acts)
  expect([await total('archived', 'record'), await total('open', 'record')]).toEqual([1, 0])
})

it('many jobs come page by page, each once, holds of a page first', async () => {
  const { job } = DEMO_JOBS[2]!
  for (let i = 0; i < 90; i++) await workshop.jobs.insertJob(randomUUID(), { ...job, vehicle: `Barge ${i}` }, [])
  const pages = await Promise.all([0, 1, 2].map((page) => workshop.board.boardPage({ state: 'open', search: '', page })))
  const seen = pages.flatMap(({ rows }) => rows.map((row) => row.id))
  expect(new Set(seen).size).toBe(seen.length)
  expect(seen.length).toBe(pages[0]!.total)
  expect(pages[0]!.pages).toBe(3)
  for (const { rows } of pages) {
    const held = rows.map((row) => row.calls.some(({ call }) => call === 'stop'))
    expect(held).toEqual([...held].sort((a, b) => Number(b) - Number(a)))
  }
})

it('a job opened while the board is being put together stands on it whole, or not yet', async () => {
  const { id, job } = DEMO_JOBS[3]!
  const opened = randomUUID()
  await workshop.jobs.addAct(id, { ...by, id: 'noted', type: 'state', state: 'open' })
  const lock = await workshop.sequelize.transaction()
  await workshop.sequelize.query('select id from jobs where id = $1 for update', { bind: [id], transaction: lock })
  const page = workshop.board.boardPage({ state: 'open', search: '', page: 0 })
  await vi.waitFor(async () => {
    const [waiting] = await workshop.sequelize.query("select pid from pg_stat_activity where wait_event_type = 'Lock' and datname = current_database()")
    expect(waiting).toHaveLength(1)
  }, { timeout: 10_000 })
  await workshop.jobs.insertJob(opened, { ...job, openedAt: new Date().toISOString() }, [])
  await lock.commit()
  const { rows } = await page
  for (const row of rows) expect(row, row.id).toMatchObject({ calls: expect.any(Array), sheet: { name: expect.any(String) } })
  expect(rows.map((row) => row.id)).toContain(opened)
})

it('is searched by words in any order, over vehicle, stand, complaint and engine', async () => {
  expect(await total('open', 'v6 tern')).toBe(1)
  expect(await total('open', 'BERTH 3')).toBe(1)
  expect(await total('open', 'plastic filter')).toBe(1)
  expect(await total('open', '%')).toBe(0)
})

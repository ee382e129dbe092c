import { randomUUID } from 'node:crypto'
import { expect, it, vi } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import type { Act, JobState } from '../../core/record'
import { readBoard, useWorkshop } from './workshop'

const workshop = useWorkshop()

const by = { by: 'Maren', at: '2026-11-24T08:00:00.000Z' }
const total = async (state: JobState, search = '') => (await readBoard(workshop.board, { state, search })).total

it("a job's list follows its acts, there and back", async () => {
  const { id, job } = DEMO_JOBS[1]!
  await expect(workshop.acts.addAct(id, { ...by, id: 'closes', type: 'state', state: 'closed' })).rejects.toMatchObject(
    {
      code: 'conflict',
      faults: expect.arrayContaining([expect.objectContaining({ place: 'tasks', code: expect.any(String) })])
    }
  )
  for (const { id: hold } of await workshop.acts.holdsOf(id))
    await workshop.acts.addAct(id, { ...by, id: `r-${hold}`, type: 'release', hold, reason: 'Sold as it is' })
  const [open, closed] = [await total('open'), await total('closed')]
  await workshop.acts.addAct(id, { ...by, id: 'closes', type: 'state', state: 'closed' })
  expect([await total('open'), await total('closed', job.vehicle)]).toEqual([open - 1, 1])
  await workshop.acts.addAct(id, { ...by, id: 'takes-back', type: 'undo', act: 'closes' })
  expect([await total('open'), await total('closed')]).toEqual([open, closed])
  await expect(workshop.acts.addAct(id, { ...by, id: 'odd', type: 'state', state: 'lost' })).rejects.toMatchObject({
    code: 'bad-input'
  })
})

it('an imported job lands in the list its acts say', async () => {
  const { job } = DEMO_JOBS[2]!
  const acts: Act[] = [{ ...by, id: 'archives', type: 'state', state: 'archived' }]
  await workshop.jobs.insertJob(randomUUID(), { ...job, vehicle: 'Kept for the record' }, acts)
  expect([await total('archived', 'record'), await total('open', 'record')]).toEqual([1, 0])
})

it('many jobs come page by page, each once, holds of a page first', async () => {
  const { job } = DEMO_JOBS[2]!
  for (let i = 0; i < 40; i++) await workshop.jobs.insertJob(randomUUID(), { ...job, vehicle: `Barge ${i}` }, [])
  const pages = await Promise.all([0, 1, 2].map((page) => readBoard(workshop.board, { state: 'open', page })))
  const seen = pages.flatMap(({ rows }) => rows.map((row) => row.id))
  expect(new Set(seen).size).toBe(seen.length)
  expect(seen.length).toBe(pages[0]!.total)
  expect(pages[0]!.pages).toBe(3)
  for (const { rows } of pages) {
    const held = rows.map((row) => row.calls.some(({ call }) => call === 'stop'))
    expect(held).toEqual([...held].sort((a, b) => Number(b) - Number(a)))
  }
})

it('lists only read: a job whose summary is being made stands on the board as it was, and nobody waits', async () => {
  const { id, job } = DEMO_JOBS[3]!
  const row = async () =>
    (await readBoard(workshop.board, { state: 'open', search: job.vehicle })).rows.find((one) => one.id === id)!
  const before = await row()
  await workshop.acts.addAct(id, { ...by, id: 'noted', type: 'waits', for: 'part', note: 'Guide set' })
  const lock = await workshop.sequelize.transaction()
  await workshop.sequelize.query('select id from jobs where id = $1 for update', { bind: [id], transaction: lock })
  const refreshing = workshop.summaries.refreshStale()
  expect(await row()).toEqual(before)
  await lock.commit()
  await refreshing
  expect((await row()).waits).toMatchObject({ for: 'part', note: 'Guide set' })
})

it('an act that is being kept while a summary is made is in it, or has it made again', async () => {
  const { id, job } = DEMO_JOBS[4]!
  const keeping = await workshop.sequelize.transaction()
  const generation = await (await import('../../server/db/connection')).readGeneration()
  await workshop.sequelize.query("select keep_act($1, 0, $2, 'in-flight', $3, 'nobody', 20000, null)", {
    bind: [id, generation, JSON.stringify({ ...by, id: 'in-flight', type: 'waits', for: 'customer' })],
    transaction: keeping
  })
  await workshop.sequelize.query('update jobs set stale = true where id <> $1', { bind: [id] })
  const refreshing = workshop.summaries.refreshSummary(id, 'behind')
  await vi.waitFor(
    async () => {
      const [waiting] = await workshop.sequelize.query(
        "select pid from pg_stat_activity where wait_event_type = 'Lock' and datname = current_database()"
      )
      expect(waiting).toHaveLength(1)
    },
    { timeout: 10_000 }
  )
  await keeping.commit()
  expect(await refreshing).toBe(false)
  await workshop.summaries.refreshStale()
  expect(
    (await readBoard(workshop.board, { state: 'open', search: job.vehicle })).rows.find((one) => one.id === id)!.waits
  ).toMatchObject({ for: 'customer' })
})

it('a job that cannot be computed says so on its row and hurts no other', async () => {
  const broken = randomUUID()
  await workshop.jobs.insertJob(broken, { ...DEMO_JOBS[2]!.job, vehicle: 'Broken by hand' }, [])
  await workshop.sequelize.query(
    "update jobs set sheet = json_build_object('id', 'ardmere-a18', 'name', 'Nothing in it'), stale = true where id = $1",
    { bind: [broken] }
  )
  await workshop.summaries.refreshStale()
  const { rows } = await readBoard(workshop.board, { state: 'open', search: 'broken by hand' })
  expect(rows).toMatchObject([{ id: broken, trouble: true }])
  expect(
    (await readBoard(workshop.board, { state: 'open' })).rows
      .filter(({ trouble }) => trouble)
      .every(({ id }) => id === broken)
  ).toBe(true)
  await expect(workshop.checks.checksDue('2030-01-01')).resolves.toBeDefined()
  await expect(workshop.learning.workshopLearnt(['Maren'])).resolves.toBeDefined()
})

it('a job that acts keep coming to keeps no other from being summed up', async () => {
  const { job } = DEMO_JOBS[2]!
  const busy = Array.from({ length: 25 }, (_, i) => `00000000-0000-4000-8000-0000000000${10 + i}`)
  for (const id of busy) await workshop.jobs.insertJob(id, { ...job, vehicle: 'Busy' }, [])
  const quiet = 'ffffffff-0000-4000-8000-000000000001'
  await workshop.jobs.insertJob(quiet, { ...job, vehicle: 'Quiet' }, [])
  await workshop.acts.addAct(quiet, { ...by, id: 'quiet', type: 'waits', for: 'part' })
  await workshop.sequelize.query("update jobs set stale = true where vehicle = 'Busy'")
  await workshop.sequelize.query(`create function stay_stale() returns trigger language plpgsql as
    'begin new.stale := true; return new; end'`)
  await workshop.sequelize.query(
    "create trigger stay_stale before update on jobs for each row when (new.vehicle = 'Busy') execute function stay_stale()"
  )
  await workshop.summaries.refreshStale()
  await workshop.sequelize.query('drop function stay_stale cascade')
  const { rows } = await readBoard(workshop.board, { state: 'open', search: 'quiet' })
  expect(rows.find(({ id }) => id === quiet)).toMatchObject({ waits: { for: 'part' } })
})

it('is searched by words in any order, over vehicle, stand, complaint and engine', async () => {
  expect(await total('open', 'v6 tern')).toBe(1)
  expect(await total('open', 'BERTH 3')).toBe(1)
  expect(await total('open', 'plastic filter')).toBe(1)
  expect(await total('open', '%')).toBe(0)
})

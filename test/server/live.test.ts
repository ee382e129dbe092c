import { afterAll, beforeAll, expect, inject, it, vi } from 'vitest'
import type { Sequelize } from 'sequelize'
import { DEMO_JOBS } from '../../demo/workshop'
import type { Act } from '../../core/job/acts'
import { read } from '../support/jobs'
import { freshDatabase } from './database'

let database: Awaited<ReturnType<typeof freshDatabase>>
let sequelize: Sequelize
let jobs: typeof import('../../server/store/jobs')
let live: typeof import('../../server/live/listen')

beforeAll(async () => {
  database = await freshDatabase(inject('databaseUrl'))
  process.env.DATABASE_URL = database.url
  process.env.UMBRETTE_DEMO = '1'
  process.env.UMBRETTE_LOG = 'silent'
  sequelize = await (await import('../../server/db/connection')).useDb()
  jobs = await import('../../server/store/jobs')
  live = await import('../../server/live/listen')
})

afterAll(async () => {
  await sequelize.query("select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'umbrette live'")
  await sequelize.close()
  await database.drop()
  delete process.env.DATABASE_URL
})

const JOB = DEMO_JOBS[0]!.id
const took = (id: string, value: number): Act => ({ id, type: 'read', by: 'Maren', at: '2026-11-24T08:00:00.000Z', reading: read.groove('guide', value) })

it('a new act calls back who watches its job, and nobody else; a repeat does not', async () => {
  const [mine, other] = [vi.fn(), vi.fn()]
  const stops = [live.onAct(JOB, mine), live.onAct(DEMO_JOBS[1]!.id, other)]
  await vi.waitFor(() => expect(mine).toHaveBeenCalled())
  mine.mockClear()
  other.mockClear()
  await jobs.addAct(JOB, took('live-1', 0.4))
  await vi.waitFor(() => expect(mine).toHaveBeenCalledTimes(1))
  await jobs.addAct(JOB, took('live-1', 0.4))
  await jobs.addAct(JOB, took('live-2', 0.5))
  await vi.waitFor(() => expect(mine).toHaveBeenCalledTimes(2))
  expect(other).not.toHaveBeenCalled()
  stops.forEach((stop) => stop())
})

it('a broken connection is made again, and who watches is called, as something may have been missed', async () => {
  const mine = vi.fn()
  const stop = live.onAct(JOB, mine)
  await sequelize.query("select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'umbrette live'")
  await vi.waitFor(() => expect(mine).toHaveBeenCalled(), { timeout: 8000 })
  mine.mockClear()
  await jobs.addAct(JOB, took('live-3', 0.6))
  await vi.waitFor(() => expect(mine).toHaveBeenCalled(), { timeout: 4000 })
  stop()
})

it('acts after a place come in order, with those that may have been committed late', async () => {
  const { acts } = await jobs.findJob(JOB)
  const after = await jobs.actsAfter(JOB, acts.at(-2)!.seq)
  expect(after.at(-1)).toEqual(acts.at(-1))
  expect(after.map((a) => a.seq)).toEqual([...after.map((a) => a.seq)].sort((a, b) => a - b))
})

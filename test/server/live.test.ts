import { expect, it, vi } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import type { Act } from '../../core/record'
import { read } from '../support/jobs'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()

const JOB = DEMO_JOBS[0]!.id
const took = (id: string, value: number): Act => ({
  id,
  type: 'read',
  by: 'Maren',
  at: '2026-11-24T08:00:00.000Z',
  reading: read.groove('guide', value)
})

it('a new act is told with its place, once; a repeat is not', async () => {
  const told = vi.fn()
  const stop = workshop.live.onHappened(told)
  await vi.waitFor(() => expect(told).toHaveBeenCalledWith(null))
  told.mockClear()
  const { seq } = await workshop.acts.addAct(JOB, took('live-1', 0.4))
  await vi.waitFor(() => expect(told).toHaveBeenCalledWith({ job: JOB, place: seq }))
  await workshop.acts.addAct(JOB, took('live-1', 0.4))
  const second = await workshop.acts.addAct(JOB, took('live-2', 0.5))
  await vi.waitFor(() => expect(told).toHaveBeenCalledTimes(2))
  expect(await workshop.acts.actsAt(JOB, [second.seq])).toEqual([second])
  stop()
})

it('a summary made anew is told without a place', async () => {
  const told = vi.fn()
  const stop = workshop.live.onHappened(told)
  await workshop.acts.addAct(JOB, took('live-s', 0.4))
  await workshop.summaries.refreshStale()
  await vi.waitFor(() => expect(told).toHaveBeenCalledWith({ job: JOB, place: null }))
  stop()
})

it('a broken connection is made again, once, and who watches is told that something may have been missed', async () => {
  const told = vi.fn()
  const stop = workshop.live.onHappened(told)
  const listening = async () =>
    (
      await workshop.sequelize.query(
        "select pid from pg_stat_activity where application_name = 'umbrette live' and datname = current_database()"
      )
    )[0].length
  await vi.waitFor(async () => expect(await listening()).toBe(1))
  await workshop.sequelize.query(
    "select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'umbrette live' and datname = current_database()"
  )
  await vi.waitFor(() => expect(told).toHaveBeenCalledWith(null), { timeout: 8000 })
  expect(await listening()).toBe(1)
  told.mockClear()
  const { seq } = await workshop.acts.addAct(JOB, took('live-3', 0.6))
  await vi.waitFor(() => expect(told).toHaveBeenCalledWith({ job: JOB, place: seq }), { timeout: 4000 })
  stop()
})

it('acts after a place come in order, with those that were given a lower place and committed late', async () => {
  const { acts } = await workshop.jobs.findJob(JOB)
  const after = await workshop.acts.actsAfter(JOB, acts.at(-2)!.seq)
  expect(after.at(-1)).toEqual(acts.at(-1))
  expect(after.map((a) => a.seq)).toEqual([...after.map((a) => a.seq)].sort((a, b) => a - b))
  // One that is being kept has its place already, and is committed after others that came later.
  const late = await workshop.sequelize.transaction()
  await workshop.sequelize.query("insert into acts (job_id, id, body) values ($1, 'late', $2)", {
    bind: [JOB, JSON.stringify(took('late', 0.7))],
    transaction: late
  })
  const { seq } = await workshop.acts.addAct(JOB, took('overtook', 0.8))
  expect((await workshop.acts.actsAfter(JOB, 0)).map(({ act }) => act.id)).not.toContain('late')
  await late.commit()
  expect((await workshop.acts.actsAfter(JOB, seq)).map(({ act }) => act.id)).toEqual(
    expect.arrayContaining(['late', 'overtook'])
  )
})

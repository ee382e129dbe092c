import { expect, it, vi } from 'vitest'
import { DEMO_JOBS } from '../../demo/workshop'
import type { Act } from '../../core/job/acts'
import { read } from '../support/jobs'
import { useWorkshop } from './workshop'

const workshop = useWorkshop()

const JOB = DEMO_JOBS[0]!.id
const took = (id: string, value: number): Act => ({ id, type: 'read', by: 'Maren', at: '2026-11-24T08:00:00.000Z', reading: read.groove('guide', value) })

it('a new act calls back who watches its job, and nobody else; a repeat does not', async () => {
  const [mine, other] = [vi.fn(), vi.fn()]
  const stops = [workshop.live.onAct(JOB, mine), workshop.live.onAct(DEMO_JOBS[1]!.id, other)]
  await vi.waitFor(() => expect(mine).toHaveBeenCalled())
  mine.mockClear()
  other.mockClear()
  await workshop.jobs.addAct(JOB, took('live-1', 0.4))
  await vi.waitFor(() => expect(mine).toHaveBeenCalledTimes(1))
  await workshop.jobs.addAct(JOB, took('live-1', 0.4))
  await workshop.jobs.addAct(JOB, took('live-2', 0.5))
  await vi.waitFor(() => expect(mine).toHaveBeenCalledTimes(2))
  expect(other).not.toHaveBeenCalled()
  stops.forEach((stop) => stop())
})

it('a broken connection is made again, and who watches is called, as something may have been missed', async () => {
  const mine = vi.fn()
  const stop = workshop.live.onAct(JOB, mine)
  await workshop.sequelize.query("select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'umbrette live'")
  await vi.waitFor(() => expect(mine).toHaveBeenCalled(), { timeout: 8000 })
  mine.mockClear()
  await workshop.jobs.addAct(JOB, took('live-3', 0.6))
  await vi.waitFor(() => expect(mine).toHaveBeenCalled(), { timeout: 4000 })
  stop()
})

it('acts after a place come in order, with those that may have been committed late', async () => {
  const { acts } = await workshop.jobs.findJob(JOB)
  const after = await workshop.jobs.actsAfter(JOB, acts.at(-2)!.seq)
  expect(after.at(-1)).toEqual(acts.at(-1))
  expect(after.map((a) => a.seq)).toEqual([...after.map((a) => a.seq)].sort((a, b) => a - b))
})

import autocannon from 'autocannon'
import { randomUUID } from 'node:crypto'
import { read } from '../support/jobs'
import { expect, newJob, test } from './bench'

test('fifty clients reading and saving at once: every request is answered, every act kept once', async ({
  request,
  baseURL
}) => {
  test.setTimeout(120_000)
  const jobs = await Promise.all(
    Array.from({ length: 5 }, () => newJob(request, [read.extension(14), read.lag('cam-in', 2)]))
  )
  const job = () => jobs[Math.floor(Math.random() * jobs.length)]!
  const sent: string[] = []
  const headers = { 'content-type': 'application/json' }
  const { errors, timeouts, non2xx, requests } = await autocannon({
    url: baseURL!,
    connections: 50,
    amount: 3000,
    timeout: 30,
    requests: [
      {
        method: 'POST',
        headers,
        setupRequest: (asked) => {
          const id = randomUUID()
          sent.push(id)
          return {
            ...asked,
            path: `/api/jobs/${job()}/acts`,
            body: JSON.stringify({
              id,
              type: 'read',
              by: 'Maren',
              at: '2026-11-24T08:00:00.000Z',
              reading: read.groove('guide', 0.4)
            })
          }
        }
      },
      { method: 'GET', setupRequest: (asked) => ({ ...asked, path: `/api/jobs/${job()}` }) },
      { method: 'GET', path: '/api/board' }
    ]
  })
  expect({ errors, timeouts, non2xx }).toEqual({ errors: 0, timeouts: 0, non2xx: 0 })
  expect(requests.total).toBe(3000)
  const kept = (
    await Promise.all(
      jobs.map(async (id) =>
        ((await (await request.get(`/api/jobs/${id}/export`)).json()) as { acts: { id: string }[] }).acts.map(
          (act) => `${id} ${act.id}`
        )
      )
    )
  ).flat()
  expect(new Set(kept).size).toBe(kept.length)
  const there = new Set(kept.map((one) => one.split(' ')[1]))
  expect(sent.slice(0, 3000 / 3 - 50).filter((id) => !there.has(id))).toEqual([])
})

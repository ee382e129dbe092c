import type { APIRequestContext } from '@playwright/test'
import { rebuildOf, readingExpected } from '../../core/views/buildup'
import { type Act, assessRecord, type KeptJob } from '../../core/record'
import { expect } from './bench'

let n = 0
/** Puts an act on a job as somebody else than who is at the page. */
export const put = async (request: APIRequestContext, id: string, what: object) =>
  expect(
    (
      await request.post(`/api/jobs/${id}/acts`, {
        data: { id: `b${n++}`, by: 'Tove', at: new Date().toISOString(), ...what }
      })
    ).ok()
  ).toBe(true)

/** Does every step of a build-up but those left out, and reads every line of the check as it should be. */
export async function buildUp(
  request: APIRequestContext,
  id: string,
  { but = [] as string[], reads = true } = {}
): Promise<void> {
  const { job, acts } = (await (await request.get(`/api/jobs/${id}`)).json()) as { job: KeptJob; acts: { act: Act }[] }
  const list = acts.map(({ act }) => act)
  const { plan, expected } = rebuildOf(job, list, assessRecord(job, list))
  for (const { id: task, asks } of plan.groups.flatMap((group) => group.tasks)) {
    if (!but.includes(task))
      await put(request, id, {
        type: 'task',
        task,
        state: 'done',
        ...(asks === 'count' ? { value: 2 } : asks === 'length' ? { value: 160 } : {})
      })
  }
  if (!reads) return
  for (const round of ['set', 'turned']) {
    for (const one of expected) {
      const reading = readingExpected(one)
      await put(request, id, { type: 'rebuilt', round, reading })
    }
  }
}

import { flushPromises } from '@vue/test-utils'
import { FetchError } from 'ofetch'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import type { Act } from '../../core/record'
import { read } from '../support/jobs'

const send = vi.hoisted(() => vi.fn())
vi.mock('ofetch', async (original) => ({ ...(await original<typeof import('ofetch')>()), $fetch: send }))
const { useOutbox } = await import('../../app/stores/outbox')

const act = (id: string): Act => ({
  id,
  type: 'read',
  by: 'Maren',
  at: '2026-11-24T08:00:00.000Z',
  reading: read.groove('guide', 0.4)
})
const refusal = (statusCode: number, message: string) =>
  Object.assign(new FetchError(message), { statusCode, data: { error: { message, faults: [] } } })
const sentIds = () => send.mock.calls.map(([, options]) => (options as { body: Act }).body.id)

beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  send.mockReset()
  setActivePinia(createPinia())
})
afterEach(() => vi.useRealTimers())

describe('acts on their way', () => {
  it('go one after another, in order, and are forgotten once taken', async () => {
    send.mockImplementation(async (_url: string, { body }: { body: Act }) => ({ seq: 1, act: body }))
    const outbox = useOutbox()
    const delivered: string[] = []
    outbox.onDelivered((_job, { act: { id } }) => delivered.push(id))
    outbox.put('job', act('a'))
    outbox.put('job', act('b'))
    await flushPromises()
    expect(delivered).toEqual(['a', 'b'])
    expect(outbox.state).toBe('saved')
    expect(JSON.parse(localStorage.getItem('umbrette.outbox')!)).toEqual([])
  })

  it('are kept on this device while the server is away, and sent in order when it is back', async () => {
    send.mockRejectedValue(new FetchError('no network'))
    const outbox = useOutbox()
    outbox.put('job', act('a'))
    outbox.put('job', act('b'))
    await flushPromises()
    await nextTick()
    expect(outbox.state).toBe('waiting')
    expect(JSON.parse(localStorage.getItem('umbrette.outbox')!)).toHaveLength(2)
    send.mockReset().mockImplementation(async (_url: string, { body }: { body: Act }) => ({ seq: 1, act: body }))
    await vi.advanceTimersByTimeAsync(2000)
    expect(sentIds()).toEqual(['a', 'b'])
    expect(outbox.state).toBe('saved')
  })

  it('are still there after a reload', async () => {
    send.mockRejectedValue(new FetchError('no network'))
    useOutbox().put('job', act('a'))
    await flushPromises()
    setActivePinia(createPinia())
    expect(useOutbox().waiting.map(({ act: { id } }) => id)).toEqual(['a'])
  })

  it('a server that fails keeps them waiting; one that refuses is told to the user and holds up nothing', async () => {
    send
      .mockRejectedValueOnce(refusal(500, 'broken'))
      .mockRejectedValueOnce(refusal(422, 'check the sign'))
      .mockImplementation(async (_url: string, { body }: { body: Act }) => ({ seq: 1, act: body }))
    const outbox = useOutbox()
    outbox.put('job', act('a'))
    outbox.put('job', act('b'))
    await flushPromises()
    expect(outbox.waiting).toHaveLength(2)
    await vi.advanceTimersByTimeAsync(2000)
    expect(outbox.waiting).toEqual([])
    expect(outbox.refused).toMatchObject([{ act: { id: 'a' }, problem: { message: 'check the sign' } }])
    outbox.dismiss('a')
    expect(outbox.refused).toEqual([])
  })
})

import 'fake-indexeddb/auto'
import { flushPromises } from '@vue/test-utils'
import { clear, createStore } from 'idb-keyval'
import { FetchError } from 'ofetch'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { ActOf } from '../../core/record'

const send = vi.hoisted(() => vi.fn())
vi.mock('ofetch', async (original) => ({ ...(await original<typeof import('ofetch')>()), $fetch: send }))
const { usePhotoOutbox } = await import('../../app/stores/photoOutbox')
const { useOutbox } = await import('../../app/stores/outbox')

const photo = (id: string, at = '2026-11-24T08:00:00.000Z') => ({
  jobId: 'job',
  picture: new Blob(['pixels'], { type: 'image/jpeg' }),
  act: { id, type: 'photo', by: 'Maren', at, photo: `photo-${id}`, part: 'guide' } as ActOf<'photo'>
})
const refusal = (message: string) =>
  Object.assign(new FetchError(message), { statusCode: 422, data: { error: { message, faults: [] } } })
const sent = (path: string) => send.mock.calls.filter(([url]) => (url as string).endsWith(path))
const away = () => send.mockRejectedValue(new FetchError('no network'))
const back = () =>
  send.mockReset().mockImplementation(async (_url: string, { body }: { body: unknown }) => ({ seq: 1, act: body }))

/** The browser's database answers in its own time. */
async function settled(condition: () => boolean): Promise<void> {
  for (let k = 0; k < 200 && !condition(); k++) await new Promise((resolve) => setImmediate(resolve))
  expect(condition()).toBe(true)
}

beforeEach(async () => {
  localStorage.clear()
  send.mockReset()
  setActivePinia(createPinia())
  await clear(createStore('umbrette', 'photos'))
})
afterEach(flushPromises)

describe('pictures on their way', () => {
  it('go to the server under the id their act names, then the act goes out, once', async () => {
    back()
    const outbox = usePhotoOutbox()
    await outbox.put(photo('a'))
    await settled(() => outbox.photos.length === 0 && sent('/acts').length === 1)
    expect(sent('/photos').map(([, options]) => (options as { query: unknown }).query)).toEqual([{ id: 'photo-a' }])
    expect(sent('/acts')[0]![1]).toMatchObject({ body: { id: 'a', type: 'photo', photo: 'photo-a', part: 'guide' } })
    expect(useOutbox().state).toBe('saved')
  })

  it('wait on the device while the server is away, through a reload, oldest first', async () => {
    away()
    const before = usePhotoOutbox()
    await before.put(photo('later', '2026-11-24T09:00:00.000Z'))
    await before.put(photo('first'))
    await settled(() => before.unreachable)
    expect(sent('/acts')).toHaveLength(0)

    setActivePinia(createPinia())
    const after = usePhotoOutbox()
    expect(after.photos).toEqual([])
    back()
    await after.wake()
    await settled(() => after.photos.length === 0 && sent('/acts').length === 2)
    expect(sent('/photos').map(([, options]) => (options as { query: { id: string } }).query.id)).toEqual([
      'photo-first',
      'photo-later'
    ])

    setActivePinia(createPinia())
    await usePhotoOutbox().wake()
    expect(usePhotoOutbox().photos).toEqual([])
  })

  it('that the server will not have stay with the reason until it was seen, and hold up no other', async () => {
    send.mockImplementation(async (_url: string, options: { query?: { id: string }; body: unknown }) => {
      if (options.query?.id === 'photo-bad') throw refusal('This is no picture that can be read.')
      return { seq: 1, act: options.body }
    })
    const outbox = usePhotoOutbox()
    await outbox.put(photo('bad'))
    await outbox.put(photo('good'))
    await settled(() => outbox.photos.length === 1 && sent('/acts').length === 1)
    expect(outbox.photos[0]).toMatchObject({ refused: 'This is no picture that can be read.' })
    expect(outbox.waiting).toEqual([])
    setActivePinia(createPinia())
    await usePhotoOutbox().wake()
    expect(usePhotoOutbox().photos).toHaveLength(1)
    await usePhotoOutbox().dismiss('bad')
    setActivePinia(createPinia())
    await usePhotoOutbox().wake()
    expect(usePhotoOutbox().photos).toEqual([])
  })
})
